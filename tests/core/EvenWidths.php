<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\TextWidths;

/** Every character half an em wide. */
final class EvenWidths implements TextWidths
{
    public function width(string $text, Face $face): float
    {
        return mb_strlen($text) / 2;
    }
}
