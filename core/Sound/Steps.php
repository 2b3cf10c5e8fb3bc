<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Story\Span;

/**
 * From when on somebody spoke of which slide, in one recording for many. Nobody presses a key at the very end of a sentence: each
 * step is moved to a pause close by. Who goes back says that slide again, and the last time counts.
 */
final readonly class Steps
{
    /** Samples from a pause within which a step is meant to lie in it. */
    private const CLOSE = 24_000;
    /** Samples of a pause that make it as good a place as one that is so much nearer. */
    private const WORTH = 24_000;
    /** With less than this between its pauses, nothing was said of a slide: it was only passed. */
    private const LEAST = 9_600;

    /** @param list<array{string, int}> $steps slide, and the sample of the recording */
    private function __construct(private array $steps) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $steps = array_map(
            static fn(Fields $step): array => [$step->id('slide'), $step->whole('at', 0, Limits::SAMPLES)],
            // More than that is nobody's voice; and a recording is not refused for it.
            \array_slice($in->objects('steps'), 0, Limits::STEPS),
        );
        usort($steps, static fn(array $a, array $b): int => $a[1] <=> $b[1]);

        return new self($steps);
    }

    /** The same where each comes at a share of its time. */
    public function paced(float $share): self
    {
        return new self(array_map(static fn(array $step): array => [$step[0], (int) round($step[1] * $share)], $this->steps));
    }

    /** @return list<array{slide: string, at: int}> */
    public function toArray(): array
    {
        return array_map(static fn(array $step): array => ['slide' => $step[0], 'at' => $step[1]], $this->steps);
    }

    /** @return array<string, Span> what is said of each slide of which anything is */
    public function spans(Voice $voice): array
    {
        $spans = [];
        foreach ($this->steps as $i => [$slide]) {
            $from = 0 === $i ? $voice->from : self::moved($voice, $this->steps[$i][1]);
            $to = isset($this->steps[$i + 1]) ? self::moved($voice, $this->steps[$i + 1][1]) : $voice->to;
            $span = self::spoken($voice, $from, $to);
            if (null !== $span) {
                $spans[$slide] = $span;
            }
        }

        return $spans;
    }

    private static function moved(Voice $voice, int $at): int
    {
        $at = max($voice->from, min($voice->to, $at));
        [$best, $cost] = [$at, \INF];
        foreach ($voice->pauses as [$from, $to]) {
            $away = max(0, $from - $at, $at - $to);
            $own = $away - min(self::WORTH, $to - $from);
            if ($away <= self::CLOSE && $own < $cost) {
                [$best, $cost] = [intdiv($from + $to, 2), $own];
            }
        }

        return $best;
    }

    /** Without the silence on both sides, but for the margins that every voice has. */
    private static function spoken(Voice $voice, int $from, int $to): ?Span
    {
        foreach ($voice->pauses as [$begins, $ends]) {
            if ($begins <= $from && $ends > $from) {
                $from = max($from, $ends - Trim::BEFORE);
            }
            if ($begins < $to && $ends >= $to) {
                $to = min($to, max($begins, $from) + Trim::AFTER);
            }
        }
        $said = $to - $from;
        foreach ($voice->pauses as [$begins, $ends]) {
            $said -= max(0, min($to, $ends) - max($from, $begins));
        }

        return $said < self::LEAST ? null : new Span($voice->id, $from, $to);
    }
}
