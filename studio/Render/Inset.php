<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Frame;

/** Lays frames upon a part of one that stays. All are planar yuv420p, so that the part lies at even pixels. */
final readonly class Inset
{
    public int $width;
    public int $height;
    public int $left;
    public int $top;

    /** What of the box it takes, in shares of that. */
    public Frame $part;

    /**
     * @param string $ground   a frame of that width and height
     * @param bool   $isInside whether it takes no pixel that lies beyond the box in part; else it takes each that lies in it in part
     */
    public function __construct(Frame $box, private string $ground, private int $groundWidth, private int $groundHeight, bool $isInside = false)
    {
        $taken = $isInside ? self::inside($box, $groundWidth, $groundHeight) : $box;
        $this->part = $taken->inside($box);
        $box = $taken;
        $this->left = 2 * (int) floor($box->x * $groundWidth / 2 + 1e-6);
        $this->top = 2 * (int) floor($box->y * $groundHeight / 2 + 1e-6);
        $this->width = min($groundWidth, 2 * (int) ceil(($box->x + $box->width) * $groundWidth / 2 - 1e-6)) - $this->left;
        $this->height = min($groundHeight, 2 * (int) ceil(($box->y + $box->height) * $groundHeight / 2 - 1e-6)) - $this->top;
    }

    /**
     * @param string      $frame  of the part's width and height
     * @param string|null $ground another of the same size to lay it upon
     */
    public function with(string $frame, ?string $ground = null): string
    {
        $ground ??= $this->ground;
        $parts = [];
        $from = $at = 0;
        foreach ([1, 2, 2] as $by) {
            $across = intdiv($this->groundWidth, $by);
            $width = intdiv($this->width, $by);
            // Row by row: what lies before it since the row above, then the part's own.
            $to = $at + intdiv($this->top, $by) * $across + intdiv($this->left, $by);
            $begun = $at;
            for ($row = 0; $row < intdiv($this->height, $by); ++$row, $to += $across) {
                $parts[] = substr($ground, $begun, $to - $begun);
                $parts[] = substr($frame, $from, $width);
                $from += $width;
                $begun = $to + $width;
            }
            $at += $across * intdiv($this->groundHeight, $by);
            $parts[] = substr($ground, $begun, $at - $begun);
        }

        return implode('', $parts);
    }

    private static function inside(Frame $box, int $width, int $height): Frame
    {
        $even = static fn(float $from, float $length, int $all): array => [
            $first = 2 * (int) ceil($from * $all / 2 - 1e-6),
            max(2, 2 * (int) floor(($from + $length) * $all / 2 + 1e-6) - $first),
        ];
        [[$left, $wide], [$top, $high]] = [$even($box->x, $box->width, $width), $even($box->y, $box->height, $height)];

        return new Frame($left / $width, $top / $height, $wide / $width, $high / $height);
    }
}
