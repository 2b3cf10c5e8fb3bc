<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Rhapsode\Core\Geometry\Shape;

/**
 * One depth of a drift, drawn once: a sheet of the slide's size that goes on beyond each of its sides as it begins at the other, so
 * that it can pass for ever. All of it is of one colour. The same seed draws the same sheet.
 */
final readonly class DriftSheet
{
    /** How high a sheet is drawn; all lengths are in such units. */
    public const HEIGHT = 1000;
    /** The area of a sheet for which numbers of things are told: a wide slide's. */
    private const AREA = 1000 * 1778;
    /** Under how many seeds sheets are drawn. */
    public const SEEDS = 10_000;

    public float $width;

    public function __construct(
        private Shape $shape,
        private DriftKind $kind,
        private Way $way,
        private Strength $strength,
        private Depth $depth,
        private int $seed,
    ) {
        $this->width = self::HEIGHT * $shape->ratio();
    }

    /** @return string by which it is asked for, of parts of a path */
    public function name(): string
    {
        return "{$this->shape->value}/{$this->kind->value}/{$this->way->value}/{$this->strength->value}/{$this->depth->value}-{$this->seed}";
    }

    /** Degrees clockwise from straight up in which it goes. */
    public function angle(): float
    {
        return $this->way->angle($this->kind) + (Depth::Far === $this->depth ? $this->kind->apart() : 0.0);
    }

    /** @return array{x: float, y: float} how far it comes in a second, in shares of the slide's width and height */
    public function velocity(): array
    {
        $speed = $this->kind->speed($this->depth);
        $angle = deg2rad($this->angle());

        return ['x' => $speed * sin($angle) / $this->shape->ratio(), 'y' => -$speed * cos($angle)];
    }

    /**
     * @param int $across how many sheets lie beside each other, and as many below
     *
     * @return string SVG
     */
    public function svg(int $width, int $height, int $across = 1): string
    {
        $colour = $this->kind->colour();

        return \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="%d" height="%d" viewBox="0 0 %.3F %d"'
                . ' preserveAspectRatio="none"><defs><radialGradient id="soft"><stop offset="0" stop-color="%s"/><stop offset="%s"'
                . ' stop-color="%s" stop-opacity="%s"/><stop offset="1" stop-color="%s" stop-opacity="0"/></radialGradient>'
                . '<linearGradient id="trail" x1="0" y1="1" x2="0" y2="0"><stop offset="0" stop-color="%s" stop-opacity="0"/>'
                . '<stop offset="1" stop-color="%s"/></linearGradient><g id="sheet">%s</g></defs>%s</svg>',
            $width * $across,
            $height * $across,
            $this->width * $across,
            self::HEIGHT * $across,
            $colour,
            DriftKind::Mist === $this->kind ? '0.42' : '0.55',
            $colour,
            DriftKind::Mist === $this->kind ? '0.44' : '0.85',
            $colour,
            $colour,
            $colour,
            $this->drawn(),
            $this->repeated($across),
        );
    }

    /** What reaches over a side of it comes in at the other. */
    private function repeated(int $across): string
    {
        $uses = '';
        foreach (range(-1, $across) as $column) {
            foreach (range(-1, $across) as $row) {
                $uses .= \sprintf('<use xlink:href="#sheet" x="%.3F" y="%d"/>', $column * $this->width, $row * self::HEIGHT);
            }
        }

        return $uses;
    }

    /** What it is made of, as SVG: the same wherever it is drawn. */
    public function drawn(): string
    {
        $chance = new Randomizer(new Mt19937(crc32($this->name())));
        $between = static fn(float $from, float $to): float => $from + ($to - $from) * $chance->getInt(0, 100_000) / 100_000;
        $isNear = Depth::Near === $this->depth;
        [$count, $draw] = match ($this->kind) {
            DriftKind::Rain => [$isNear ? 75 : 170, fn(float $x, float $y): string => $this->streak(
                $x,
                $y,
                $isNear ? $between(95, 150) : $between(48, 84),
                $isNear ? 3.4 : 2.2,
                $between(0.55, 1),
            )],
            DriftKind::Snow => [$isNear ? 64 : 170, static fn(float $x, float $y): string => self::spot(
                $x,
                $y,
                $r = $isNear ? $between(7, 15) : $between(3.2, 6),
                $r,
                $between(0.7, 1),
            )],
            DriftKind::Mist => [$isNear ? 11 : 17, static fn(float $x, float $y): string => self::spot(
                $x,
                $y,
                $isNear ? $between(420, 640) : $between(280, 460),
                $isNear ? $between(110, 190) : $between(80, 140),
                $between(0.6, 1),
            )],
            DriftKind::Motes => [$isNear ? 30 : 110, static fn(float $x, float $y): string => self::spot(
                $x,
                $y,
                $r = $isNear ? $between(9, 24) : $between(2.6, 5.6),
                $r,
                $isNear ? $between(0.3, 1) : $between(0.45, 1),
            )],
        };
        $things = [];
        $count = max(2, (int) round($count * $this->strength->many() * $this->width * self::HEIGHT / self::AREA));
        // Each in a field of its own, somewhere: what is strewn by chance alone lies in heaps.
        $columns = max(1, (int) round(sqrt($count * $this->shape->ratio())));
        $rows = (int) ceil($count / $columns);
        for ($i = 0; $i < $count; ++$i) {
            $things[] = $draw(
                ($i % $columns + $between(0.0, 1.0)) * $this->width / $columns,
                (intdiv($i, $columns) + $between(0.0, 1.0)) * self::HEIGHT / $rows,
            );
        }

        return implode('', $things);
    }

    private static function spot(float $x, float $y, float $rx, float $ry, float $opacity): string
    {
        return \sprintf('<ellipse cx="%.1F" cy="%.1F" rx="%.1F" ry="%.1F" fill="url(#soft)" opacity="%.2F"/>', $x, $y, $rx, $ry, $opacity);
    }

    /** A drop as it is seen while it falls, with what it leaves behind it. */
    private function streak(float $x, float $y, float $length, float $width, float $opacity): string
    {
        return \sprintf(
            '<rect x="%.1F" y="%.1F" width="%.1F" height="%.1F" rx="%.1F" fill="url(#trail)" opacity="%.2F" transform="rotate(%.1F %.1F %.1F)"/>',
            $x - $width / 2,
            $y,
            $width,
            $length,
            $width / 2,
            $opacity,
            $this->angle(),
            $x,
            $y,
        );
    }
}
