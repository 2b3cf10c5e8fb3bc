<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** A part of a take that was spoken for a slide: samples $from to $to (exclusive) of its recording. */
final readonly class MadeFor
{
    public function __construct(public string $slide, public int $from, public int $to) {}

    public static function read(Fields $in): self
    {
        $from = $in->whole('from', 0, Limits::SAMPLES - 1);

        return new self($in->id('slide'), $from, $in->whole('to', $from + 1, Limits::SAMPLES));
    }

    /** @return array{slide: string, from: int, to: int} */
    public function toArray(): array
    {
        return ['slide' => $this->slide, 'from' => $this->from, 'to' => $this->to];
    }
}
