<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** Measures text as the studio will draw it. */
interface TextWidths
{
    /** Width in em (multiples of the size) of one line of text. */
    public function width(string $text, Type $type): float;
}
