<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\WordTimes;
use Rhapsode\Core\Framing\Moments;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** When a slide's stops are reached. Its words are looked for only where a stop is tied to one. */
final class SlideMoments implements Moments
{
    /** @var list<float>|null */
    private ?array $words = null;

    public function __construct(private readonly TimedSlide $timed, private readonly Story $story, private readonly Memo $memo) {}

    /** A word that is no longer there is the last one; in a script without words it is the beginning. */
    public function of(Stop $stop): float
    {
        if (null === $stop->word) {
            return self::zero($this->timed) + $stop->at;
        }
        $this->words ??= $this->memo->recall(
            'words' . WordTimes::key($this->timed, $this->story),
            fn(): array => WordTimes::of($this->timed, $this->story)->starts(),
        );

        return $this->words[min($stop->word, \count($this->words) - 1)] ?? self::zero($this->timed);
    }

    /** Seconds from the frame at which the slide begins to be seen, to where its own clock begins. */
    public static function zero(TimedSlide $timed): float
    {
        $voice = $timed->voice[0] ?? null;

        return null === $voice ? Rate::seconds($timed->comesIn) : $voice->at / Rate::SAMPLES - Rate::seconds($timed->start);
    }
}
