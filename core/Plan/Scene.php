<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Words\TextBlock;

/**
 * A slide, or a page of credits, as it is performed. Frames: it is seen from $start, coming in over $comesIn frames, alone until
 * $end, and going out over its transition to the next, whose frames lie after $end. What moves in it takes all that time.
 */
final readonly class Scene
{
    /** Moments at which a scene is looked at for its most telling one. */
    private const LOOKS = 40;

    /**
     * @param string             $ground the colour behind its layers, #RRGGBB
     * @param list<PlannedLayer> $layers  back to front
     * @param int                $letters that stand on its picture, or beside it
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $ground,
        public int $start,
        public int $end,
        public int $comesIn,
        public PlannedTransition $transition,
        public array $layers,
        public int $letters = 0,
    ) {}

    /** The first frame at which it is no longer seen. */
    public function gone(): int
    {
        return $this->end + $this->transition->frames;
    }

    /** How far what moves in it has come at a frame of the film, 0 to 1. */
    public function progress(int $frame): float
    {
        return ($frame - $this->start) / max(1, $this->gone() - $this->start - 1);
    }

    /**
     * The frame of the scene, while it is alone, at which most of what comes and goes is seen: what it is shown by where it is one
     * picture. Of several the one nearest to its middle.
     */
    public function telling(): int
    {
        [$first, $last] = [$this->comesIn, max($this->comesIn, $this->end - $this->start - 1)];
        $best = [-1.0, $first];
        foreach (range(0, self::LOOKS) as $look) {
            // From the middle outwards.
            $share = 0.5 + (0 === $look % 2 ? 1 : -1) * intdiv($look + 1, 2) / self::LOOKS;
            $frame = $first + (int) round(max(0.0, min(1.0, $share)) * ($last - $first));
            $seen = array_sum(array_map(static fn(PlannedLayer $layer): float => $layer->seen($frame), $this->layers));
            $best = $seen > $best[0] + 1e-6 ? [$seen, $frame] : $best;
        }

        return $best[1];
    }

    /** Below which of its layers weather and light pass, of those that are none: the first that is written, so that it is read. */
    public function weather(): int
    {
        $others = array_values(array_filter($this->layers, static fn(PlannedLayer $layer): bool => !$layer instanceof PlannedDrift));

        return Drifting::below($others);
    }

    public function picture(): ?PlannedPicture
    {
        return $this->pictures()[0] ?? null;
    }

    /** @return list<PlannedPicture> */
    public function pictures(): array
    {
        return array_values(array_filter($this->layers, static fn(PlannedLayer $layer): bool => $layer instanceof PlannedPicture));
    }

    /** @return list<PlannedWords> */
    public function words(): array
    {
        return array_values(array_filter($this->layers, static fn(PlannedLayer $layer): bool => $layer instanceof PlannedWords));
    }

    /** @return list<TextBlock> what is drawn of words, which are performed as drawings */
    public function drawn(): array
    {
        return array_values(array_filter(array_map(
            static fn(PlannedLayer $layer): ?TextBlock => $layer instanceof PlannedWords || $layer instanceof PlannedRoll ? $layer->block : null,
            $this->layers,
        )));
    }

    /** Whether a caption stands where the cues would stand. */
    public function hasWordsAtTheBottom(): bool
    {
        return [] !== array_filter(
            $this->words(),
            static fn(PlannedWords $words): bool => 1 === $words->place?->down(),
        );
    }

    public function isStill(): bool
    {
        return [] === array_filter(
            $this->layers,
            static fn(PlannedLayer $layer): bool => !$layer->isStill() || self::changes($layer),
        );
    }

    private static function changes(PlannedLayer $layer): bool
    {
        return [] !== array_filter($layer->envelopes(), static fn(Envelope $envelope): bool => \count($envelope->points) > 1);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'ground' => $this->ground,
            'start' => $this->start,
            'end' => $this->end,
            'comesIn' => $this->comesIn,
            'transition' => $this->transition->toArray(),
            'layers' => array_map(static fn(PlannedLayer $layer): array => $layer->toArray(), $this->layers),
            'letters' => $this->letters,
            'weather' => $this->weather(),
        ];
    }
}
