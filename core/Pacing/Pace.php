<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pacing;

use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/**
 * How fast somebody speaks: as they have spoken this story so far, and as is usual until then. A word here is one of four letters
 * and the way to the next, as long as words of spoken English mostly are (from memory), so that a pace says the same of any language.
 */
final readonly class Pace
{
    /** Words a minute at which a story is told (common practice for narration: 130 to 150). */
    public const USUAL = 130.0;
    /** What a word weighs, as Units weighs. */
    private const WORD = 4.6;
    /** Seconds that somebody has spoken before it is known how fast. */
    private const HEARD = 8.0;
    /** Slower and faster than this nobody tells a story: then what is spoken is not what is written. */
    private const SLOWEST = 60.0;
    private const FASTEST = 240.0;

    /** @param float $words a minute */
    private function __construct(public float $words, public bool $isLearned) {}

    public static function of(Story $story, Memo $memo): self
    {
        $weight = $seconds = 0.0;
        foreach ($story->slides as $slide) {
            $written = self::weight($slide->script, $story->language, $memo);
            $samples = $slide->spokenSamples();
            if ($written > 0 && $samples > 0) {
                $weight += $written;
                $seconds += $samples / Rate::SAMPLES;
            }
        }
        $words = 0.0 === $seconds ? 0.0 : 60 * $weight / self::WORD / $seconds;
        $isLearned = $seconds >= self::HEARD && $words >= self::SLOWEST && $words <= self::FASTEST;

        return new self($isLearned ? $words : self::USUAL, $isLearned);
    }

    /** How long so much takes to say. @param float $weight as Units weighs */
    public function seconds(float $weight): float
    {
        return 60 * $weight / self::WORD / $this->words;
    }

    public static function weight(string $script, string $language, Memo $memo): float
    {
        return '' === trim($script) ? 0.0 : $memo->recall(
            'weight' . hash('xxh128', "{$language} {$script}"),
            static fn(): float => array_sum(array_map(static fn(Unit $unit): float => $unit->weight, Units::of($script, $language))),
        );
    }
}
