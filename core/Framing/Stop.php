<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Timing\Rate;

/**
 * A part of the picture that the look comes to on its way, and when it is there: as a word of the script is said, counted from
 * 0 on, or at a second of what is heard. What is tied to a word stays with it however it is spoken.
 */
final readonly class Stop
{
    public float $at;

    private function __construct(public Frame $frame, public ?int $word, float $at)
    {
        $this->at = round($at, 3);
    }

    public static function atWord(Frame $frame, int $word): self
    {
        return new self($frame, $word, 0.0);
    }

    /** @param float $at seconds from the beginning of the voice, or from when a silent slide is seen alone */
    public static function atSecond(Frame $frame, float $at): self
    {
        return new self($frame, null, max(0.0, $at));
    }

    public static function read(Fields $in): self
    {
        if ($in->has('word') === $in->has('at')) {
            throw new Malformed('document.stop-needs-a-moment');
        }
        $frame = Frame::read($in->object('frame'));

        return $in->has('word')
            ? self::atWord($frame, $in->whole('word', 0, Limits::SCRIPT))
            : self::atSecond($frame, $in->number('at', 0, Limits::SAMPLES / Rate::SAMPLES));
    }

    /** Another part of the picture, at the same moment. */
    public function on(Frame $frame): self
    {
        return new self($frame, $this->word, $this->at);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['frame' => $this->frame->toArray()] + (null === $this->word ? ['at' => $this->at] : ['word' => $this->word]);
    }
}
