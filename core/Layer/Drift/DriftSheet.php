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

    /** @return string SVG */
    public function svg(int $width, int $height): string
    {
        $colour = $this->kind->colour();

        return \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d" viewBox="0 0 %.3F %d" preserveAspectRatio="none"><defs>'
                . '<radialGradient id="soft"><stop offset="0" stop-color="%s"/><stop offset="%s" stop-color="%s" stop-opacity="%s"/>'
                . '<stop offset="1" stop-color="%s" stop-opacity="0"/></radialGradient><linearGradient id="trail" x1="0" y1="1" x2="0" y2="0">'
                . '<stop offset="0" stop-color="%s" stop-opacity="0"/><stop offset="1" stop-color="%s"/></linearGradient></defs>%s</svg>',
            $width,
            $height,
            $this->width,
            self::HEIGHT,
            $colour,
            DriftKind::Mist === $this->kind ? '0.42' : '0.55',
            $colour,
            DriftKind::Mist === $this->kind ? '0.44' : '0.85',
            $colour,
            $colour,
            $colour,
            $this->drawn(),
        );
    }

    /** What it is made of, as SVG: the same wherever it is drawn. */
    public function drawn(): string
    {
        $chance = new Randomizer(new Mt19937(crc32($this->name())));
        $between = static fn(float $from, float $to): float => $from + ($to - $from) * $chance->getInt(0, 100_000) / 100_000;
        $count = max(2, (int) round($this->usual() * $this->strength->many() * $this->width * self::HEIGHT / self::AREA));
        // Each in a field of its own, somewhere: what is strewn by chance alone lies in heaps.
        $columns = max(1, (int) round(sqrt($count * $this->shape->ratio())));
        $rows = (int) ceil($count / $columns);
        $drawn = '';
        for ($i = 0; $i < $count; ++$i) {
            $drawn .= $this->speck(
                ($i % $columns + $between(0.0, 1.0)) * $this->width / $columns,
                (intdiv($i, $columns) + $between(0.0, 1.0)) * self::HEIGHT / $rows,
                $between,
            )->svg($this->width, self::HEIGHT);
        }

        return $drawn;
    }

    /** How many there are over a wide slide. */
    private function usual(): int
    {
        $isNear = Depth::Near === $this->depth;

        return match ($this->kind) {
            DriftKind::Rain => $isNear ? 75 : 170,
            DriftKind::Snow => $isNear ? 64 : 170,
            DriftKind::Mist => $isNear ? 11 : 17,
            DriftKind::Motes => $isNear ? 30 : 110,
        };
    }

    /** @param \Closure(float, float): float $between by chance */
    private function speck(float $x, float $y, \Closure $between): Speck
    {
        $isNear = Depth::Near === $this->depth;
        $round = static fn(float $least, float $most, float $faintest): Speck => new Speck($x, $y, $r = $between($least, $most), $r, $between($faintest, 1.0));

        return match ($this->kind) {
            DriftKind::Rain => new Speck(
                $x,
                $y,
                $isNear ? 1.7 : 1.1,
                $isNear ? $between(95.0, 150.0) : $between(48.0, 84.0),
                $between(0.55, 1.0),
                $this->angle(),
            ),
            DriftKind::Snow => $isNear ? $round(7.0, 15.0, 0.7) : $round(3.2, 6.0, 0.7),
            DriftKind::Mist => new Speck(
                $x,
                $y,
                $isNear ? $between(420.0, 640.0) : $between(280.0, 460.0),
                $isNear ? $between(110.0, 190.0) : $between(80.0, 140.0),
                $between(0.6, 1.0),
            ),
            DriftKind::Motes => $isNear ? $round(9.0, 24.0, 0.3) : $round(2.6, 5.6, 0.45),
        };
    }
}
