<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\BadShape;
use Rhapsode\Core\Shape\Fields;

/** What is said at a time of the film, as a file of captions had it. Milliseconds. */
final readonly class Spoken
{
    public const MAX = 500;
    private const LATEST = 24 * 3_600_000;

    public function __construct(public int $start, public int $end, public string $text)
    {
        if ($end <= $start) {
            throw new BadShape('A caption must end after it begins.');
        }
    }

    public static function read(Fields $in): self
    {
        return new self($in->whole('start', 0, self::LATEST), $in->whole('end', 1, self::LATEST), $in->text('text', self::MAX, min: 1));
    }

    /** @return array{start: int, end: int, text: string} */
    public function toArray(): array
    {
        return ['start' => $this->start, 'end' => $this->end, 'text' => $this->text];
    }
}
