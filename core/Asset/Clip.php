<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/**
 * How a picture moves: it has so many frames at the film's rate. $loudness is the integrated loudness of its sound in LUFS and $loudest
 * the highest it has over any 3 s (short-term, EBU Tech 3341); null where it has no sound, or nothing of it is loud enough to be measured.
 */
final readonly class Clip
{
    public function __construct(public int $frames, public ?float $loudness = null, public ?float $loudest = null) {}

    public static function read(Fields $in): self
    {
        return new self(
            $in->whole('frames', 1, Limits::CLIP_FRAMES),
            $in->numberOrNull('loudness', -100, 20),
            $in->numberOrNull('loudest', -100, 20),
        );
    }

    /** @return positive-int frames from one small picture of its strip to the next */
    public function every(): int
    {
        return max(1, intdiv($this->frames + Limits::STRIP - 1, Limits::STRIP));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['frames' => $this->frames, 'loudness' => $this->loudness, 'loudest' => $this->loudest];
    }
}
