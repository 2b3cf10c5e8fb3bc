<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** A stretch of a voice: the samples $from to $to (exclusive) of its recording. */
final readonly class Span
{
    public function __construct(public string $asset, public int $from, public int $to) {}

    public static function read(Fields $in): self
    {
        $from = $in->whole('from', 0, Limits::SAMPLES - 1);

        return new self($in->id('asset'), $from, $in->whole('to', $from + 1, Limits::SAMPLES));
    }

    public function length(): int
    {
        return $this->to - $this->from;
    }

    /** @return array{asset: string, from: int, to: int} */
    public function toArray(): array
    {
        return ['asset' => $this->asset, 'from' => $this->from, 'to' => $this->to];
    }
}
