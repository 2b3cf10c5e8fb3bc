<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use Rhapsode\Core\Words\TextWidths;
use Rhapsode\Core\Words\Type;

/** Every character half an em wide. */
final class EvenWidths implements TextWidths
{
    public function width(string $text, Type $type): float
    {
        return mb_strlen($text) / 2;
    }
}
