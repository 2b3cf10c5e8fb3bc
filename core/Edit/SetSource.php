<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Story\Music;
use Rhapsode\Core\Story\Picture;
use Rhapsode\Core\Story\Story;

/** Whose work pictures and music are. What is null stays as it is: two parts changed shortly after each other both count. */
final readonly class SetSource implements Edit
{
    /**
     * @param list<string> $pictures
     * @param list<string> $music
     */
    public function __construct(
        private array $pictures,
        private ?string $title = null,
        private ?string $author = null,
        private ?string $link = null,
        private ?string $licence = null,
        private array $music = [],
    ) {}

    public function apply(Story $story): Story
    {
        return $story->with(
            pictures: $this->changed($story->pictures, $this->pictures, 'The story does not hold that picture.'),
            music: $this->changed($story->music, $this->music, 'The story does not hold that music.'),
        );
    }

    /**
     * @template T of Picture|Music
     *
     * @param array<string, T> $held
     * @param list<string>     $ids
     *
     * @return array<string, T>
     */
    private function changed(array $held, array $ids, string $otherwise): array
    {
        foreach ($ids as $id) {
            $one = $held[$id] ?? throw new Refused($otherwise);
            /** @var T $changed of the same kind */
            $changed = $one->withSource($one->source->changed($this->title, $this->author, $this->link, $this->licence));
            $held[$id] = $changed;
        }

        return $held;
    }
}
