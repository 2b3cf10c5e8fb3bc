<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

/** One of the things a drift is made of: a soft spot; or a streak, as a drop is seen while it falls. Units of DriftSheet. */
final readonly class Speck
{
    /**
     * @param float      $x       its middle; of a streak its head
     * @param float      $across  half of its width
     * @param float      $along   half of its height; the length of a streak
     * @param float      $opacity 0 to 1
     * @param float|null $angle   of a streak, degrees clockwise from straight up in which it goes; null for a spot
     */
    public function __construct(
        private float $x,
        private float $y,
        private float $across,
        private float $along,
        private float $opacity,
        private ?float $angle = null,
    ) {}

    /** As SVG: itself, and again at the other side wherever it reaches over one. */
    public function svg(float $width, float $height): string
    {
        $svg = '';
        foreach ([0, 1, -1] as $column) {
            foreach ([0, 1, -1] as $row) {
                [$x, $y] = [$this->x + $column * $width, $this->y + $row * $height];
                $reach = max($this->across, $this->along);
                if ($x > -$reach && $x < $width + $reach && $y > -$reach && $y < $height + $reach) {
                    $svg .= null === $this->angle ? $this->spot($x, $y) : $this->streak($x, $y, $this->angle);
                }
            }
        }

        return $svg;
    }

    private function spot(float $x, float $y): string
    {
        return \sprintf(
            '<ellipse cx="%.1F" cy="%.1F" rx="%.1F" ry="%.1F" fill="url(#soft)" fill-opacity="%.2F"/>',
            $x,
            $y,
            $this->across,
            $this->along,
            $this->opacity,
        );
    }

    /** With what it leaves behind it. */
    private function streak(float $x, float $y, float $angle): string
    {
        return \sprintf(
            '<rect x="%.1F" y="%.1F" width="%.1F" height="%.1F" rx="%.1F" fill="url(#trail)" fill-opacity="%.2F" transform="rotate(%.1F %.1F %.1F)"/>',
            $x - $this->across,
            $y,
            2 * $this->across,
            $this->along,
            $this->across,
            $this->opacity,
            $angle,
            $x,
            $y,
        );
    }
}
