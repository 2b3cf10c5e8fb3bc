<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Unit;

/** Who speaks, where somebody said who does: a caption begins with the name of whoever begins (common practice: the name, a colon). */
final class Speakers
{
    /** @return list<Unit> the words with the names before them: no caption has the words of two */
    public static function named(WordTimes $words, TimedSlide $timed, Story $story): array
    {
        $named = [];
        $before = '';
        foreach ($words->units as $i => $unit) {
            $speaker = self::at(($words->times[$i][0] + $words->times[$i][1]) / 2 + $words->begin / 1000, $timed, $story);
            if ($speaker !== $before) {
                if ([] !== $named) {
                    $last = array_pop($named);
                    $named[] = new Unit($last->text, $last->length, $last->spaces, $last->weight, Unit::TURN);
                }
                if ('' !== $speaker) {
                    $name = "{$speaker}: ";
                    $unit = new Unit($name . $unit->text, mb_strlen($name) + $unit->length, $unit->spaces, $unit->weight, $unit->break);
                }
                $before = $speaker;
            }
            $named[] = $unit;
        }

        return $named;
    }

    /** @param float $second from the frame at which the slide begins to be seen */
    private static function at(float $second, TimedSlide $timed, Story $story): string
    {
        $at = $timed->start * Rate::SAMPLES_PER_FRAME + Rate::samples($second);
        $speaker = '';
        foreach ($timed->voice as $span) {
            if ($span->at <= $at) {
                $speaker = $story->voice($span->asset)->take->speaker ?? '';
            }
        }

        return $speaker;
    }
}
