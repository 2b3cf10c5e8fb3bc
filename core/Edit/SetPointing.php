<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Pointing\Strokes;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/**
 * Where somebody points while a voice is heard, done again without speaking, or dropped: it goes with the recordings, so that
 * whatever is cut out of them takes its pointing along.
 */
final readonly class SetPointing implements Edit
{
    /**
     * @param list<Span>   $voice   as it was heard
     * @param list<Stroke> $strokes milliseconds of that
     */
    public function __construct(private array $voice, private array $strokes) {}

    public function apply(Story $story): Story
    {
        $heard = 0;
        foreach ($this->voice as $span) {
            $voice = $story->voice($span->asset) ?? throw new Refused('edit.voice-gone');
            [$from, $to] = [$span->from / Rate::SAMPLES_PER_MILLISECOND, $span->to / Rate::SAMPLES_PER_MILLISECOND];
            $begins = $heard / Rate::SAMPLES_PER_MILLISECOND;
            $new = array_map(
                static fn(Stroke $stroke): Stroke => $stroke->later((int) round($from - $begins)),
                Strokes::between($this->strokes, $begins, $begins + $to - $from),
            );
            $pointing = Strokes::replaced($voice->take->pointing, $from, $to, $new);
            if (\count($pointing) > Limits::STROKES) {
                throw new Refused('edit.pointing-full');
            }
            $story = $story->withAsset($voice->withTake($voice->take->with(pointing: $pointing)));
            $heard += $span->length();
        }

        return $story;
    }
}
