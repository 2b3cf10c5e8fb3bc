<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Depth;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftSheet;
use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedPointer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Pacing\TimedSlide;

/** Weather and light over the slides of a story: the same over slides that follow each other goes on from one to the next. */
final readonly class Drifting
{
    /**
     * @param int $since frames for which it has passed when the slide begins
     * @param int $seed  of its sheets
     */
    private function __construct(private Drift $drift, private int $since, private int $seed) {}

    /**
     * @param list<TimedSlide> $timed
     *
     * @return array<string, self> by slide; none for one over which nothing drifts
     */
    public static function of(array $timed): array
    {
        $all = [];
        $begun = null;
        $before = null;
        foreach ($timed as $one) {
            $drift = $one->slide->drift;
            if (null === $drift) {
                $begun = null;
            } else {
                $begun = null !== $begun && $before == $drift ? $begun : $one;
                $all[$one->slide->id] = new self($drift, $one->start - $begun->start, crc32($begun->slide->id) % DriftSheet::SEEDS);
            }
            $before = $drift;
        }

        return $all;
    }

    /** @return list<PlannedDrift> back to front, as one looks that begins */
    public static function sample(Drift $drift, Shape $shape): array
    {
        return (new self($drift, 0, 0))->planned($shape, 1.0);
    }

    /**
     * Laid over pictures, and under words.
     *
     * @param list<PlannedLayer> $layers of the slide, back to front
     * @param string             $ground #rrggbb
     *
     * @return list<PlannedLayer>
     */
    public function under(array $layers, Shape $shape, string $ground): array
    {
        $first = self::below($layers);

        return [
            ...\array_slice($layers, 0, $first),
            ...$this->planned($shape, $this->drift->clearOf(Inks::bare($layers), $ground)),
            ...\array_slice($layers, $first),
        ];
    }

    /**
     * Which of them it passes below.
     *
     * @param list<PlannedLayer> $layers of a slide, back to front
     */
    public static function below(array $layers): int
    {
        foreach ($layers as $i => $layer) {
            if ($layer instanceof PlannedWords || $layer instanceof PlannedPointer) {
                return $i;
            }
        }

        return \count($layers);
    }

    /**
     * @param float $share of what it would cover, 0 to 1
     *
     * @return list<PlannedDrift>
     */
    private function planned(Shape $shape, float $share): array
    {
        [$kind, $way, $strength] = [$this->drift->kind, $this->drift->way, $this->drift->strength];

        return 0.0 === $share ? [] : array_map(fn(Depth $depth): PlannedDrift => new PlannedDrift(
            new DriftSheet($shape, $kind, $way, $strength, $depth, $this->seed),
            $kind->colour(),
            round($share * $kind->cover($strength, $depth), 4),
            $this->since,
        ), Depth::cases());
    }
}
