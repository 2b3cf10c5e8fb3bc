<?php

declare(strict_types=1);

namespace Rhapsode\Core\Geometry;

/** The film's shape, width to height. */
enum Shape: string
{
    case Wide = '16:9';
    case Classic = '4:3';
    case Square = '1:1';
    case Upright = '9:16';

    public function ratio(): float
    {
        [$width, $height] = explode(':', $this->value);

        return (float) $width / (float) $height;
    }

    /** Width in pixels for a height, rounded to an even number as 4:2:0 video needs. */
    public function width(int $height): int
    {
        return (int) (2 * round($height * $this->ratio() / 2));
    }

    /**
     * A film is called by its shorter side: "720" is 1280 x 720 in a wide shape and 720 x 1280 in an upright one, so that
     * words and pictures are as large in every shape.
     *
     * @return int the height in pixels
     */
    public function height(int $shorter): int
    {
        return $this->ratio() >= 1 ? $shorter : (int) (2 * round($shorter / $this->ratio() / 2));
    }

    /** @return array{int, int} width and height in pixels of a film called by its shorter side */
    public function pixels(int $shorter): array
    {
        $height = $this->height($shorter);

        return [$this->width($height), $height];
    }
}
