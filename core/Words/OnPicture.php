<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Spot;

/** Sets words on a picture: at a spot, beside other words, and clear of what lies under them. */
final readonly class OnPicture
{
    private const LINES = 4;
    /** Between the edge of the safe area and words on a plate; above and below them. */
    private const MARGIN = 20;
    private const OVER = 12;
    private const EDGE = 14;
    /** Between two blocks of words. */
    private const APART = 10;
    /** As much of the safe area's width words at a side take at most: they leave the picture its middle. */
    private const ASIDE = 0.55;
    /** The size of what stands below, of the text's; and its smallest. */
    private const BY = 0.7;
    private const SMALLEST = 24;

    public function __construct(private Fitting $fitting, private Scheme $scheme) {}

    /**
     * @param list<Frame>     $taken by other words: it stands beside them, where there is room
     * @param LightUnder|null $light what lies under; null for an unknown ground, which is taken to be anything
     */
    public function set(
        Writing $writing,
        Spot $spot,
        array $taken,
        ?Move $move,
        ?LightUnder $light,
        WordsLook $look,
        OwnPlace $own = new OwnPlace(),
    ): TextBlock {
        $widest = match (true) {
            null !== $own->width => min($this->fitting->safe(), $own->width * $this->fitting->width),
            null !== $own->at || 0 === $spot->across() => $this->fitting->safe(),
            default => $this->fitting->safe() * self::ASIDE,
        };
        $room = $widest - 2 * self::MARGIN;
        $type = $look->type($writing->isHeading ? $this->scheme->heading : $this->scheme->text);
        $text = $this->fitting->fit($writing->text, $type, $room, $look->size?->andSmaller() ?? $writing->sizes, self::LINES);
        if ([] === $text->lines) {
            return TextBlock::bare($this->fitting->shape);
        }
        $small = max(self::SMALLEST, (int) round(self::BY * $text->size));
        $by = $this->fitting->fit($writing->by, $this->scheme->text, $room, [$small, self::SMALLEST], 2);
        $wide = null === $own->width ? min($widest, max($text->width(), $by->width()) + 2 * self::MARGIN) : $widest;
        $plate = $this->box($spot, $own->at, $wide, $text->height() + $by->height());
        $free = $this->free($plate, null === $own->at ? $spot->down() <= 0 : $own->at->y < 0.5, $taken);
        $plate = $plate->moved($free ?? $plate->y);
        $standing = $this->standing($look->in($this->scheme, $writing->backing), $plate, $move, $light);
        $align = $own->align ?? match (null === $own->at ? $spot->across() : 0) {
            -1 => Align::Left,
            1 => Align::Right,
            default => Align::Center,
        };
        $x = match ($align) {
            Align::Left => $plate->x + self::MARGIN,
            Align::Right => $plate->x + $plate->width - self::MARGIN,
            Align::Center => $plate->x + $plate->width / 2,
        };
        $top = $plate->y + self::OVER;

        return new TextBlock($this->fitting->width, $this->fitting->height, [
            ...$text->at($x, $top, $standing, $align->value),
            ...$by->at($x, $top + $text->height(), $standing, $align->value),
        ], null === $standing->plate ? [] : [
            new Plate($plate->x, $plate->y, $plate->width, $plate->height, $standing->plate, $standing->opacity),
        ], $text->fits && $by->fits && null !== $free, $this->share($plate));
    }

    /** Where words of that size are at a spot or about a point, with what is about them on a plate. Never outside the safe area. */
    private function box(Spot $spot, ?Point $at, float $wide, float $height): Plate
    {
        $edge = $this->fitting->height * Spot::EDGE + self::EDGE;
        $last = max($edge, $this->fitting->height - $edge - $height);
        $top = null === $at ? match ($spot->down()) {
            -1 => $edge,
            0 => max($edge, ($this->fitting->height - $height) / 2),
            default => $last,
        } : max($edge, min($last, $at->y * $this->fitting->height - $height / 2));
        $first = $this->fitting->width * Spot::EDGE;
        $end = max($first, $this->fitting->width - $first - $wide);
        $left = null === $at ? match ($spot->across()) {
            -1 => $first,
            1 => $end,
            default => max($first, ($this->fitting->width - $wide) / 2),
        } : max($first, min($end, $at->x * $this->fitting->width - $wide / 2));

        return new Plate($left, $top - self::OVER, $wide, $height + 2 * self::OVER, Legibility::DARK, 0);
    }

    /**
     * Where a block may begin without lying on what is taken: there, or as near as there is room, first in one direction, then in the other.
     *
     * @param list<Frame> $taken
     *
     * @return float|null its top; null where there is no room for it
     */
    private function free(Plate $block, bool $downwards, array $taken): ?float
    {
        [$width, $height] = [$this->fitting->width, $this->fitting->height];
        // The air about words may lie beyond the safe area, they may not.
        $over = TextBlock::AIR - self::OVER;
        $edge = $height * Spot::EDGE + self::EDGE - TextBlock::AIR;
        $tall = $block->height + 2 * $over;
        foreach ([$downwards, !$downwards] as $down) {
            $at = $block->y - $over;
            // Each step passes one of them.
            for ($i = 0; $i <= \count($taken) && $at >= $edge - 1e-6 && $at + $tall <= $height - $edge + 1e-6; ++$i) {
                $box = new Frame($block->x / $width, $at / $height, $block->width / $width, $tall / $height);
                $met = array_filter($taken, static fn(Frame $other): bool => $box->shared($other) > 0);
                if ([] === $met) {
                    return $at + $over;
                }
                $at = $down
                    ? max(array_map(static fn(Frame $other): float => ($other->y + $other->height) * $height, $met)) + self::APART
                    : min(array_map(static fn(Frame $other): float => $other->y * $height, $met)) - self::APART - $tall;
            }
        }

        return null;
    }

    private function standing(WordsLook $look, Plate $area, ?Move $move, ?LightUnder $light): Standing
    {
        if (null === $light || null === $move) {
            return Legibility::standing($look, 0.0, 1.0, $this->scheme->plate);
        }

        [$darkest, $brightest] = $light->under($move->under($this->share($area)));

        return Legibility::standing($look, $darkest, $brightest, $this->scheme->plate);
    }

    private function share(Plate $area): Frame
    {
        return Frame::about(
            ($area->x + $area->width / 2) / $this->fitting->width,
            ($area->y + $area->height / 2) / $this->fitting->height,
            $area->width / $this->fitting->width,
            $area->height / $this->fitting->height,
        );
    }
}
