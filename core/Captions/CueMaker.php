<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/**
 * Makes caption cues from a slide's script, timed to its voice by its pauses.
 *
 * Breaks come at sentences, else clauses, else where the voice pauses, else between words; a cue has at most two lines
 * of 42 characters, is shown for 1 to 7 s, and at most 17 characters a second where the voice leaves room. These are the
 * figures of the timed-text style guides that streaming services publish (Netflix, TimedSlide Text Style Guide: General Requirements
 * and English; from memory).
 */
final readonly class CueMaker
{
    public const LINE = 42;
    /** Milliseconds that a cue is shown: at most, and at least where the voice allows it. */
    public const LONGEST = 7000;
    public const SHORTEST = 1000;
    /** Characters a second. */
    public const PACE = 17.0;
    /** Milliseconds: a cue goes on this long after its last word, and a shorter gap to the next is closed. */
    private const LINGER = 300;

    /**
     * @param bool $high whether they stand at the top: words upon words cannot be read
     *
     * @return list<Cue> timed from the slide's start; none for a slide without voice or script
     */
    public function of(TimedSlide $timed, Story $story, bool $high = false): array
    {
        $words = WordTimes::of($timed, $story);
        if (!$words->spoken) {
            return [];
        }
        [$begin, $times] = [$words->begin, $words->times];
        $cutter = new CueCutter(Speakers::named($words, $timed, $story), $times);
        $parts = $cutter->parts();
        $latest = intdiv($timed->stay * 1000, Rate::FPS);
        $cues = [];
        foreach ($parts as $i => [$first, $last]) {
            $text = $cutter->text($first, $last);
            $from = $begin + (int) round(1000 * $times[$first][0]);
            $to = $begin + (int) round(1000 * $times[$last][1]);
            $next = isset($parts[$i + 1]) ? $begin + (int) round(1000 * $times[$parts[$i + 1][0]][0]) : $latest;
            $wanted = max($to + self::LINGER, $from + self::SHORTEST, $from + (int) ceil(1000 * mb_strlen($text) / self::PACE));
            if ($next - $wanted < self::LINGER && isset($parts[$i + 1])) {
                $wanted = $next;
            }
            $to = min($next, $wanted, $from + self::LONGEST);
            if ($to > $from) {
                $cues[] = new Cue($from, $to, $text, $timed->slide->id, $high);
            }
        }

        return $cues;
    }
}
