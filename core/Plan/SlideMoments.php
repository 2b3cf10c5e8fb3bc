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
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/** When what is tied to a slide's words happens. They are looked for only where something is tied to one. */
final class SlideMoments implements Moments
{
    /** @var list<float>|null */
    private ?array $words = null;

    public function __construct(private readonly TimedSlide $timed, private readonly Story $story, private readonly Memo $memo) {}

    public function of(Stop $stop): float
    {
        return null === $stop->word ? $this->begins() + $stop->at : $this->ofWord($stop->word);
    }

    /** In a script without words it is the beginning. */
    public function ofWord(int $word): float
    {
        $words = $this->words();

        return $words[min($word, \count($words) - 1)] ?? $this->begins();
    }

    public function begins(): float
    {
        return self::zero($this->timed);
    }

    public function ofText(string $text): array
    {
        $plain = fn(string $of): array => array_map(
            static fn(Unit $unit): string => mb_strtolower((string) preg_replace('/[^\p{L}\p{N}\p{M}]+/u', '', $unit->text)),
            Units::of($of, $this->story->language),
        );
        $said = $plain($this->timed->slide->script);
        $wanted = $plain($text);
        for ($at = 0; [] !== $wanted && $at + \count($wanted) <= \count($said); ++$at) {
            if (\array_slice($said, $at, \count($wanted)) === $wanted) {
                return \array_slice($this->words(), $at, \count($wanted));
            }
        }

        return [];
    }

    /** @return list<float> */
    private function words(): array
    {
        return $this->words ??= $this->memo->recall(
            'words' . WordTimes::key($this->timed, $this->story),
            fn(): array => WordTimes::of($this->timed, $this->story)->starts(),
        );
    }

    /** Seconds from the frame at which the slide begins to be seen, to where its own clock begins. */
    public static function zero(TimedSlide $timed): float
    {
        $voice = $timed->voice[0] ?? null;

        return null === $voice ? Rate::seconds($timed->comesIn) : $voice->at / Rate::SAMPLES - Rate::seconds($timed->start);
    }
}
