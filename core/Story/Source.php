<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\Fields;

/** Whose work it is. All four may be empty; a source with anything in it is credited in the film. */
final readonly class Source
{
    public function __construct(
        public string $title = '',
        public string $author = '',
        public string $link = '',
        public string $licence = '',
    ) {}

    public static function read(Fields $in): self
    {
        return new self(
            trim($in->text('title', 200, '')),
            trim($in->text('author', 200, '')),
            trim($in->text('link', 500, '')),
            trim($in->text('licence', 100, '')),
        );
    }

    /** The same source with those parts changed that are not null. */
    public function changed(?string $title, ?string $author, ?string $link, ?string $licence): self
    {
        return new self($title ?? $this->title, $author ?? $this->author, $link ?? $this->link, $licence ?? $this->licence);
    }

    public function isEmpty(): bool
    {
        return '' === $this->title . $this->author . $this->link . $this->licence;
    }

    /** Enough for a reader to know whose work it is and on what terms: an author and a licence. */
    public function isComplete(): bool
    {
        return '' !== $this->author && '' !== $this->licence;
    }

    /** @return array{title: string, author: string, link: string, licence: string} */
    public function toArray(): array
    {
        return ['title' => $this->title, 'author' => $this->author, 'link' => $this->link, 'licence' => $this->licence];
    }
}
