<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;

/** Finds the lines and the size at which words fit a slide. Pixels of a frame whose shorter side has 720. */
final readonly class Fitting
{
    public int $width;
    public int $height;

    public function __construct(private TextWidths $widths, public Shape $shape, private string $language = 'en')
    {
        $this->height = $shape->height(TextBlock::SHORTER);
        $this->width = $shape->width($this->height);
    }

    /** The width of the safe area. */
    public function safe(): float
    {
        return $this->width * (1 - 2 * Spot::EDGE);
    }

    /**
     * The largest of the sizes at which it needs no more lines than it may have.
     *
     * @param float               $room  the widest that a line may be
     * @param non-empty-list<int> $sizes largest first
     */
    public function fit(string $text, Type $type, float $room, array $sizes, int $most): Fitted
    {
        $text = trim($text);
        if ('' === $text) {
            return new Fitted([], [], $type, (float) $sizes[0]);
        }
        $lines = [];
        $size = 0;
        foreach ($sizes as $size) {
            $size = (int) round($size * $type->face->scale());
            $lines = $this->lines($text, $type, $room / $size);
            if (\count($lines) <= $most) {
                return $this->fitted($lines, $type, $size, true);
            }
        }
        // Nothing is cut off: what is too long is set smaller still, and Proof says so.
        $tall = $this->height * (1 - 2 * Spot::EDGE) - 28;
        while (\count($lines) * $size * Fitted::LEADING > $tall && $size > 8) {
            $lines = $this->lines($text, $type, $room / --$size);
        }

        return $this->fitted($lines, $type, $size, false);
    }

    /**
     * @param float $room in em
     *
     * @return list<string>
     */
    public function lines(string $text, Type $type, float $room): array
    {
        return (new LineBreaker($this->widths, $this->language))->lines($text, $type, $room);
    }

    /** @param list<string> $lines */
    public function fitted(array $lines, Type $type, float $size, bool $fits): Fitted
    {
        return new Fitted(
            $lines,
            array_map(fn(string $line): float => $this->widths->width($line, $type) * $size, $lines),
            $type,
            $size,
            $fits,
        );
    }
}
