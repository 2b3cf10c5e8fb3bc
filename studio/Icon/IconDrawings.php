<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Icon;

use Rhapsode\Core\Layer\Icon\IconSet;
use Rhapsode\Core\Layer\Icon\Tint;

/** The drawings of the set, each an SVG file of its own (studio/icons/make.mjs lays them out). */
final class IconDrawings
{
    public const FOLDER = __DIR__ . '/../icons/made';

    /** @return string|null SVG; null where there is none of that name */
    public static function svg(string $name, ?Tint $tint = null): ?string
    {
        $file = self::FOLDER . "/{$name}.svg";
        if (1 !== preg_match(IconSet::NAME, $name) || !is_file($file)) {
            return null;
        }
        $svg = (string) file_get_contents($file);

        return $tint?->on($svg) ?? $svg;
    }
}
