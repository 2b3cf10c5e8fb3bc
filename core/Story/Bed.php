<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/**
 * Music under the voice, from one slide to the end of another; null for the first slide and for the end of the film.
 * $under is how many decibels it lies under a voice's loudness where nobody speaks; $ducks whether it gives way
 * while somebody does. $start is the second of the music it begins with; $loops whether it begins again when it is over.
 * Fades in seconds.
 */
final readonly class Bed
{
    /** Quiet enough that the gate of the meter (ITU-R BS.1770-4, 10 LU under the mean) leaves it out: the film is as loud as its speech. */
    public const UNDER = 16.0;

    public function __construct(
        public string $id,
        public string $asset,
        public ?string $from = null,
        public ?string $to = null,
        public float $under = self::UNDER,
        public float $fadeIn = 2.0,
        public float $fadeOut = 3.0,
        public float $start = 0.0,
        public bool $loops = true,
        public bool $ducks = true,
    ) {}

    public static function read(Fields $in): self
    {
        return new self(
            $in->id('id'),
            $in->id('asset'),
            $in->idOrNull('from'),
            $in->idOrNull('to'),
            $in->number('under', Limits::LEAST_UNDER, Limits::MOST_UNDER, self::UNDER),
            $in->number('fadeIn', 0, Limits::FADE, 2.0),
            $in->number('fadeOut', 0, Limits::FADE, 3.0),
            $in->number('start', 0, 14_400, 0.0),
            $in->flag('loops', true),
            $in->flag('ducks', true),
        );
    }

    /** The same bed with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'asset' => $this->asset, 'from' => $this->from, 'to' => $this->to, 'under' => $this->under,
            'fadeIn' => $this->fadeIn, 'fadeOut' => $this->fadeOut, 'start' => $this->start, 'loops' => $this->loops, 'ducks' => $this->ducks,
        ];
    }
}
