<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Layer\Picture\Part;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** How the clips of a story are heard: at the film's loudness, coming and going with their slides, and giving way to a voice. */
final class ClipSounds
{
    /** Decibels that a clip is raised at most: what is more silent is mostly noise. */
    public const MOST_GAIN = 12.0;
    /** Seconds over which it comes and goes where its slide does so at once, so that a cut does not click. */
    private const EDGE = 0.02;

    /**
     * @param list<TimedSlide>                  $timed
     * @param array<string, array<string, int>> $begun at which frame of its slide a clip begins, by slide and layer; where it is not told, the first
     *
     * @return list<Play> in order
     */
    public static function plays(Story $story, array $timed, array $begun = []): array
    {
        $ducking = Ducking::underAll($timed);
        $plays = [];
        foreach ($timed as $i => $one) {
            foreach ($one->slide->pictures() as $layer) {
                $clip = $story->picture($layer->asset)?->clip;
                $part = $layer->part ?? new Part();
                $from = $begun[$one->slide->id][$layer->id] ?? 0;
                $out = $timed[$i + 1]->comesIn ?? 0;
                if (null !== $clip && null !== $clip->loudness && !$part->muted && $from < $one->stay + $out) {
                    $plays[] = self::play($layer->asset, $clip, $part, $one, $out, $ducking, $from);
                }
            }
        }

        return $plays;
    }

    /**
     * @param int $out   frames over which its slide goes
     * @param int $begun the frame of its slide at which it begins
     */
    private static function play(string $asset, Clip $clip, Part $part, TimedSlide $one, int $out, Ducking $ducking, int $begun): Play
    {
        $seen = $one->stay + $out - $begun;
        $at = ($one->start + $begun) * Rate::SAMPLES_PER_FRAME;
        $from = $part->from * Rate::SAMPLES_PER_FRAME;
        $length = min($part->frames($clip), $seen) * Rate::SAMPLES_PER_FRAME;
        $end = $at + $length;
        $edge = min(Rate::samples(self::EDGE), intdiv($length, 2));
        $goes = $seen * Rate::SAMPLES_PER_FRAME - $out * Rate::SAMPLES_PER_FRAME;
        $fades = [
            [$at, $at + max($edge, min($length, ($one->comesIn - $begun) * Rate::SAMPLES_PER_FRAME)), true],
            [min($end - $edge, $at + $goes), $end, false],
        ];
        [$open, $ducked] = self::levels($clip, $part);

        return new Play($asset, $at, $from, $from + $length, GainCurve::points(
            $at,
            $end,
            $open,
            $ducked,
            $fades,
            $ducking,
        ), Bus::Clip, $one->slide->id);
    }

    /** @return array{float, float} its gain in dB where nobody speaks, and under a voice */
    private static function levels(Clip $clip, Part $part): array
    {
        $open = min(self::MOST_GAIN, Loudness::TARGET - ($clip->loudness ?? Loudness::TARGET)) + $part->level;
        $ducked = Loudness::TARGET - Loudness::BED_UNDER_VOICE - ($clip->loudest ?? $clip->loudness ?? Loudness::TARGET);

        return [$open, min($open, $ducked)];
    }
}
