<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** What is written at one place of a picture: its text, below it in smaller letters whose it is or who that is, and how it is usually set: in the letters of headings, or of text. */
final readonly class Writing
{
    /** @param non-empty-list<int> $sizes largest first */
    public function __construct(
        public string $text,
        public string $by = '',
        public bool $isHeading = false,
        public array $sizes = [40, 36, 32, 28],
        public Backing $backing = Backing::Auto,
    ) {}
}
