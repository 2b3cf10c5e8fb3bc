<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** Lays the beds of a story under its film: where each begins and ends, how it loops, gives way to the next, and ducks. */
final readonly class Beds
{
    /** Seconds over which one bed gives way to the next, and a piece that begins again to itself. */
    private const CROSS = 2.0;
    private const SEAM = 1.5;

    private Ducking $ducking;

    /**
     * @param list<TimedSlide> $timed
     * @param int         $end   the film's last sample, exclusive
     */
    public function __construct(private Story $story, private array $timed, private int $end)
    {
        $this->ducking = Ducking::underAll($timed);
    }

    /** @return list<Play> in order */
    public function plays(): array
    {
        $laid = [];
        foreach ($this->story->beds as $bed) {
            [$from, $to] = $this->span($bed);
            if ($to > $from && null !== $this->story->music($bed->asset)) {
                $laid[] = [$from, $to, $bed];
            }
        }
        usort($laid, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $plays = [];
        $cross = Rate::samples(self::CROSS);
        foreach ($laid as $i => [$from, $to, $bed]) {
            $before = $laid[$i - 1] ?? null;
            $next = $laid[$i + 1] ?? null;
            $follows = null !== $before && $from - $before[1] < $cross;
            $followed = null !== $next && $next[0] - $to < $cross;
            // In a row the one goes down while the other comes up, half before the slide's start and half after.
            array_push($plays, ...$this->laid(
                $bed,
                $follows ? max(0, $from - intdiv($cross, 2)) : $from,
                $followed ? min($this->end, $next[0] + intdiv($cross, 2)) : $to,
                $follows ? $cross : Rate::samples($bed->fadeIn),
                $followed ? $cross : Rate::samples($bed->fadeOut),
            ));
        }

        return $plays;
    }

    /** @return array{int, int} samples */
    private function span(Bed $bed): array
    {
        $first = null === $bed->from ? 0 : $this->story->indexOf($bed->from) ?? 0;
        $last = null === $bed->to ? null : $this->story->indexOf($bed->to);
        // Slides may have been moved past each other since.
        if (null !== $last && $last < $first) {
            [$first, $last] = [$last, $first];
        }

        return [
            ($this->timed[$first]->start ?? 0) * Rate::SAMPLES_PER_FRAME,
            null === $last ? $this->end : min($this->end, $this->timed[$last]->end() * Rate::SAMPLES_PER_FRAME),
        ];
    }

    /** @return list<Play> the piece as often as it is needed */
    private function laid(Bed $bed, int $from, int $to, int $fadeIn, int $fadeOut): array
    {
        $music = $this->music($bed);
        $begin = min(Rate::samples($bed->start), $music->samples - 1);
        $length = $music->samples - $begin;
        $seam = min(Rate::samples(self::SEAM), intdiv($length, 4));
        if (!$bed->loops || $length < Rate::SAMPLES) {
            $to = min($to, $from + $length);
        }
        $fadeIn = min($fadeIn, intdiv($to - $from, 2));
        $fadeOut = min($fadeOut, intdiv($to - $from, 2));
        $plays = [];
        for ($at = $from; $at < $to; $at += $length - $seam) {
            $end = min($to, $at + $length);
            $seamIn = $at > $from ? $seam : 0;
            $seamOut = $end < $to ? $seam : 0;
            $fades = [
                [$from, $from + $fadeIn, true],
                [$to - $fadeOut, $to, false],
                [$at, $at + $seamIn, true],
                [$end - $seamOut, $end, false],
            ];
            [$open, $ducked] = $this->levels($bed);
            $gains = GainCurve::points($at, $end, $open, $ducked, $fades, $bed->ducks ? $this->ducking : null);
            $plays[] = new Play($music->id, $at, $begin, $begin + $end - $at, $gains);
            if ($end === $to) {
                break;
            }
        }

        return $plays;
    }

    private function music(Bed $bed): Music
    {
        return $this->story->music($bed->asset) ?? throw new \LogicException('Only beds whose music is there are laid.');
    }

    /** @return array{float, float} the music's gain in dB where nobody speaks, and under a voice */
    private function levels(Bed $bed): array
    {
        $music = $this->music($bed);
        $open = Loudness::TARGET - $bed->under - ($music->loudness ?? Loudness::TARGET);
        $ducked = Loudness::TARGET - Loudness::BED_UNDER_VOICE - ($music->loudest ?? $music->loudness ?? Loudness::TARGET);

        return [$open, min($open, $ducked)];
    }
}
