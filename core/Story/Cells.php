<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;

/**
 * Where the cells of an arrangement lie on a slide of some shape. What a wide one sets side by side an upright one stacks. They
 * never meet: there is a gap between any two, and to each edge.
 */
final class Cells
{
    /** Of two of which one is larger: its share of the room. */
    private const LARGER = 0.64;

    /**
     * @param float $gap a share of the slide's shorter side
     *
     * @return list<Frame> in reading order; none where it has no cells
     */
    public static function of(Layout $layout, Shape $shape, float $gap): array
    {
        $ratio = $shape->ratio();
        [$x, $y] = [$gap * min(1.0, 1 / $ratio), $gap * min(1.0, $ratio)];
        $page = new Frame($x, $y, 1 - 2 * $x, 1 - 2 * $y);
        $columns = static fn(Frame $of, float ...$shares): array => self::columns($of, $x, array_values($shares));
        $rows = static fn(Frame $of, float ...$shares): array => self::rows($of, $y, array_values($shares));
        // What is wide is divided across first.
        [$first, $second] = Shape::Wide === $shape || Shape::Classic === $shape ? [$columns, $rows] : [$rows, $columns];
        $larger = $first($page, self::LARGER, 1 - self::LARGER);

        return match ($layout) {
            Layout::Title, Layout::Part, Layout::Closing, Layout::Full => [],
            Layout::Beside => Shape::Upright === $shape ? $rows($page, 0.5, 0.5) : $columns($page, 0.5, 0.5),
            Layout::Over => $rows($page, 0.5, 0.5),
            Layout::Large => [$larger[0], ...$second($larger[1], 0.5, 0.5)],
            Layout::Three => $first($page, 1 / 3, 1 / 3, 1 / 3),
            Layout::Four => array_merge(...array_map(static fn(Frame $row): array => $columns($row, 0.5, 0.5), $rows($page, 0.5, 0.5))),
            Layout::WithWords => $larger,
        };
    }

    /**
     * @param float       $gap    between two
     * @param list<float> $shares of the room that is left
     *
     * @return non-empty-list<Frame>
     */
    private static function columns(Frame $box, float $gap, array $shares): array
    {
        $room = $box->width - $gap * (\count($shares) - 1);
        $at = $box->x;
        $parts = [];
        foreach ($shares as $share) {
            $parts[] = new Frame($at, $box->y, $share * $room, $box->height);
            $at += $share * $room + $gap;
        }
        \assert([] !== $parts);

        return $parts;
    }

    /**
     * @param list<float> $shares
     *
     * @return non-empty-list<Frame>
     */
    private static function rows(Frame $box, float $gap, array $shares): array
    {
        return array_map(
            static fn(Frame $part): Frame => new Frame($part->y, $part->x, $part->height, $part->width),
            self::columns(new Frame($box->y, $box->x, $box->height, $box->width), $gap, $shares),
        );
    }
}
