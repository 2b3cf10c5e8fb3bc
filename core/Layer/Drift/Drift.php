<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\Legibility;

/** Weather or light that passes over a slide, as its maker said it. It lies over pictures, and under words. */
final readonly class Drift
{
    /** Steps in which it is made fainter where words could not be read on it. */
    private const STEP = 0.05;

    public Way $way;

    public function __construct(public DriftKind $kind, ?Way $way = null, public Strength $strength = Strength::Some)
    {
        $this->way = $way ?? $kind->usualWay();
    }

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $kind = $in->choice('kind', DriftKind::class);

        return new self($kind, $in->choice('way', Way::class, $kind->usualWay()), $in->choice('strength', Strength::class, Strength::Some));
    }

    /** How much of what lies under it is covered where all of it lies over each other, 0 to 1. */
    public function cover(): float
    {
        return self::together(1.0, $this->kind->cover($this->strength, Depth::Far), $this->kind->cover($this->strength, Depth::Near));
    }

    private static function together(float $share, float $far, float $near): float
    {
        return 1 - (1 - $share * $far) * (1 - $share * $near);
    }

    /**
     * What is to be seen of it where words lie on the bare ground with nothing to stand on: as much as lets them be read.
     *
     * @param list<string> $inks   colours of words, #rrggbb
     * @param string       $ground #rrggbb
     *
     * @return float 0 to 1
     */
    public function clearOf(array $inks, string $ground): float
    {
        [$far, $near] = [$this->kind->cover($this->strength, Depth::Far), $this->kind->cover($this->strength, Depth::Near)];
        for ($share = 1.0; $share > self::STEP; $share -= self::STEP) {
            $mixed = Veiled::mixed($ground, $this->kind->colour(), self::together($share, $far, $near));
            $isRead = static fn(string $ink): bool => Contrast::ratio(Contrast::luminance($ink), $mixed)
                >= min(Legibility::WANTED, Contrast::ratio(Contrast::luminance($ink), Contrast::luminance($ground)));
            if ([] === array_filter($inks, static fn(string $ink): bool => !$isRead($ink))) {
                return round($share, 2);
            }
        }

        return 0.0;
    }

    /** @return array{kind: string, way: string, strength: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'way' => $this->way->value, 'strength' => $this->strength->value];
    }
}
