<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Mount;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Words\TextBlock;

/** What is about a picture in a cell: the ground at its round corners, and a line. */
final readonly class PlannedMat implements PlannedLayer
{
    /** @param string $ground colour, #rrggbb */
    public function __construct(
        private string $id,
        public Frame $box,
        private Shape $shape,
        private Mount $mount,
        public string $ground,
        private Envelope $opacity,
    ) {}

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Mat;
    }

    /**
     * What is drawn of it, each a path filled by even and odd (SVG), on a slide of that size: the ground between the box and its
     * round corners, and the line within the box.
     *
     * @return list<array{path: string, colour: string}>
     */
    public function paths(float $width, float $height): array
    {
        $shorter = min($width, $height);
        [$x, $y] = [$this->box->x * $width, $this->box->y * $height];
        [$wide, $high] = [$this->box->width * $width, $this->box->height * $height];
        $corner = min($this->mount->corner * $shorter, $wide / 2, $high / 2);
        $line = null === $this->mount->colour ? 0.0 : $this->mount->line * $shorter;
        $paths = [];
        if ($corner > 0) {
            // A little beyond it, to whole and even pixels, on which the film's pictures end.
            [$left, $top] = [2 * floor($x / 2) - 2, 2 * floor($y / 2) - 2];
            [$right, $bottom] = [2 * ceil(($x + $wide) / 2) + 2, 2 * ceil(($y + $high) / 2) + 2];
            $paths[] = [
                'path' => self::round($left, $top, $right - $left, $bottom - $top, 0.0)
                    . self::round($x, $y, $wide, $high, $corner),
                'colour' => $this->ground,
            ];
        }
        if ($line > 0 && null !== $this->mount->colour) {
            $paths[] = [
                'path' => self::round($x, $y, $wide, $high, $corner)
                    . self::round($x + $line, $y + $line, $wide - 2 * $line, $high - 2 * $line, max(0.0, $corner - $line)),
                'colour' => $this->mount->colour,
            ];
        }

        return $paths;
    }

    private static function round(float $x, float $y, float $width, float $height, float $r): string
    {
        return 0.0 === $r
            ? \sprintf('M%.3F %.3Fh%.3Fv%.3Fh%.3Fz', $x, $y, $width, $height, -$width)
            : \sprintf(
                'M%1$.3F %2$.3Fh%3$.3Fa%5$.3F %5$.3F 0 0 1 %5$.3F %5$.3Fv%4$.3Fa%5$.3F %5$.3F 0 0 1 %6$.3F %5$.3Fh%7$.3F'
                    . 'a%5$.3F %5$.3F 0 0 1 %6$.3F %6$.3Fv%8$.3Fa%5$.3F %5$.3F 0 0 1 %5$.3F %6$.3Fz',
                $x + $r,
                $y,
                $width - 2 * $r,
                $height - 2 * $r,
                $r,
                -$r,
                2 * $r - $width,
                2 * $r - $height,
            );
    }

    public function hash(): string
    {
        return substr(hash('sha256', json_encode($this->drawn(), \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return true;
    }

    public function opacity(): Envelope
    {
        return $this->opacity;
    }

    public function seen(int $frame): float
    {
        return $this->opacity->at($frame);
    }

    public function envelopes(): array
    {
        return [$this->opacity];
    }

    /** @return array{width: int, height: int, paths: list<array{path: string, colour: string}>} on a slide whose shorter side has 720 */
    private function drawn(): array
    {
        $height = $this->shape->height(TextBlock::SHORTER);
        $width = $this->shape->width($height);

        return ['width' => $width, 'height' => $height, 'paths' => $this->paths($width, $height)];
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'kind' => $this->kind()->value, ...$this->drawn(), 'opacity' => $this->opacity->toArray()];
    }
}
