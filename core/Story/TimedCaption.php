<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;

/** What is said at a time of the film, as a file of captions had it. Milliseconds. */
final readonly class TimedCaption
{
    private const LATEST = 24 * 3_600_000;

    public function __construct(public int $start, public int $end, public string $text)
    {
        if ($end <= $start) {
            throw new Malformed('document.caption-ends-first');
        }
    }

    public static function read(Fields $in): self
    {
        return new self(
            $in->whole('start', 0, self::LATEST),
            $in->whole('end', 1, self::LATEST),
            $in->text('text', Limits::TIMED_CAPTION, min: 1),
        );
    }

    /** @return array{start: int, end: int, text: string} */
    public function toArray(): array
    {
        return ['start' => $this->start, 'end' => $this->end, 'text' => $this->text];
    }
}
