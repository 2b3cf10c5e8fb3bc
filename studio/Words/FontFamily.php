<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Words;

use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Type;
use Rhapsode\Core\Words\Weight;

/** What the fonts of a type call themselves (studio/fonts), and what stands in for letters that they lack. */
final readonly class FontFamily
{
    public string $family;
    /** 100 to 900, as CSS counts it. */
    public int $weight;

    public function __construct(Type $type)
    {
        [$this->family, $this->weight] = match ($type->face) {
            Face::Reading => Weight::Bold === $type->weight ? ['Literata ExtraBold, Literata', 800] : ['Literata', self::usual($type->weight)],
            Face::Plain => Weight::Bold === $type->weight
                ? ['Atkinson Hyperlegible Next ExtraBold, Atkinson Hyperlegible Next', 800]
                : ['Atkinson Hyperlegible Next', self::usual($type->weight)],
            Face::Hand => ['Patrick Hand', 400],
            Face::Typed => ['Courier Prime', Weight::Regular === $type->weight ? 400 : 700],
            Face::Solemn => ['Forum', 400],
            Face::Loud => match ($type->weight) {
                Weight::Regular => ['Rubik Medium, Rubik', 500],
                Weight::Semibold => ['Rubik', 700],
                Weight::Bold => ['Rubik Black, Rubik', 900],
            },
        };
        $this->generic = match ($type->face) {
            Face::Reading, Face::Solemn => 'serif',
            Face::Typed => 'monospace',
            default => 'sans-serif',
        };
    }

    private string $generic;

    /** All of them, for CSS. */
    public function families(): string
    {
        return "{$this->family}, {$this->generic}";
    }

    /** As Pango describes a font. @param float $size pixels */
    public function described(float $size): string
    {
        return \sprintf('%s %s%.2Fpx', $this->families(), match ($this->weight) {
            400 => '',
            500 => 'Medium ',
            600 => 'Semi-Bold ',
            700 => 'Bold ',
            800 => 'Ultra-Bold ',
            default => 'Heavy ',
        }, $size);
    }

    private static function usual(Weight $weight): int
    {
        return Weight::Regular === $weight ? 400 : 600;
    }
}
