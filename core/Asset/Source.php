<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** Whose work it is. All four may be empty; a source with anything in it is credited in the film. */
final readonly class Source
{
    /** The longest that each part may be, in characters. */
    private const PARTS = [
        'title' => Limits::SOURCE_TITLE,
        'author' => Limits::SOURCE_AUTHOR,
        'link' => Limits::SOURCE_LINK,
        'licence' => Limits::SOURCE_LICENCE,
    ];

    public function __construct(
        public string $title = '',
        public string $author = '',
        public string $link = '',
        public string $licence = '',
    ) {}

    public static function read(Fields $in): self
    {
        return new self(...self::told($in));
    }

    /** The source among the fields of an asset; an empty one where none is told. */
    public static function in(Fields $asset): self
    {
        return $asset->has('source') ? self::read($asset->object('source')) : new self();
    }

    /** @return array<'title'|'author'|'link'|'licence', string> the parts that are told, by name */
    public static function told(Fields $in): array
    {
        $told = [];
        foreach (self::PARTS as $part => $most) {
            if ($in->has($part)) {
                $told[$part] = trim($in->text($part, $most));
            }
        }

        return $told;
    }

    /**
     * The same source with some of its parts changed.
     *
     * @param array<'title'|'author'|'link'|'licence', string> $parts
     */
    public function changed(array $parts): self
    {
        return new self(...[...$this->toArray(), ...$parts]);
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
