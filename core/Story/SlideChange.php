<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** A slide that is another than it was. */
final readonly class SlideChange
{
    /**
     * @param int|null                   $was   its place before, counted from 1; null where it was not there
     * @param int|null                   $is    its place now; null where it is there no more
     * @param non-empty-list<ChangeKind> $kinds
     */
    public function __construct(public string $slide, public ?int $was, public ?int $is, public array $kinds) {}

    /** @return array{slide: string, was: int|null, is: int|null, kinds: list<string>} */
    public function toArray(): array
    {
        return ['slide' => $this->slide, 'was' => $this->was, 'is' => $this->is, 'kinds' => array_column($this->kinds, 'value')];
    }
}
