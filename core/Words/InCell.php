<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Spot;

/** Sets words in a cell of a slide, on its ground: as large as there is room for, in the middle of its height, within the safe area. */
final readonly class InCell
{
    /** Pixels of a frame whose shorter side has 720. Below the last they are set smaller still, and Proof says so. */
    private const SIZES = [60, 54, 48, 42, 38, 34, 30, 28];
    private const SMALLER = [24, 20, 16, 12];
    /** Between words and the edge of what is beside them. */
    private const AIR = 14;
    private const BY = 0.62;
    private const LEAST_BY = 24;

    public function __construct(private Fitting $fitting, private Scheme $scheme) {}

    /** @param Standing $standing of words on the slide's ground */
    public function set(Writing $writing, Frame $cell, WordsLook $look, ?Align $align, Standing $standing): TextBlock
    {
        [$width, $height] = [$this->fitting->width, $this->fitting->height];
        $left = max(Spot::EDGE * $width, $cell->x * $width + self::AIR);
        $room = min((1 - Spot::EDGE) * $width, ($cell->x + $cell->width) * $width - self::AIR) - $left;
        $top = max(Spot::EDGE * $height, $cell->y * $height);
        $high = min((1 - Spot::EDGE) * $height, ($cell->y + $cell->height) * $height) - $top;
        [$text, $by, $fits] = $this->fitted($writing, $look, $room, $high);
        if ([] === $text->lines) {
            return TextBlock::bare($this->fitting->shape);
        }
        $align ??= Direction::isTextLeftward($writing->text) ? Align::Right : Align::Left;
        $x = match ($align) {
            Align::Left => $left,
            Align::Right => $left + $room,
            Align::Center => $left + $room / 2,
        };
        $first = $top + max(0.0, ($high - $text->height() - $by->height()) / 2);

        return new TextBlock($width, $height, [
            ...$text->at($x, $first, $standing, $align->value),
            ...$by->at($x, $first + $text->height(), $standing, $align->value),
        ], [], $fits);
    }

    /** @return array{Fitted, Fitted, bool} the text, what stands below it, and whether both can be read */
    private function fitted(Writing $writing, WordsLook $look, float $room, float $high): array
    {
        $type = $look->type($writing->isHeading ? $this->scheme->heading : $this->scheme->text);
        $usual = $look->size?->andSmaller() ?? self::SIZES;
        $set = [new Fitted([], [], $type, 0.0), new Fitted([], [], $type, 0.0), true];
        foreach ([...$usual, ...self::SMALLER] as $size) {
            $small = (int) max(min($size, self::LEAST_BY), round(self::BY * $size));
            $text = $this->fitting->fit($writing->text, $type, $room, [$size], \PHP_INT_MAX);
            $by = $this->fitting->fit($writing->by, $this->scheme->text, $room, [$small], \PHP_INT_MAX);
            $set = [$text, $by, \in_array($size, $usual, true)];
            if ($text->height() + $by->height() <= $high && max($text->width(), $by->width()) <= $room + 1e-6) {
                return $set;
            }
        }

        return [$set[0], $set[1], false];
    }
}
