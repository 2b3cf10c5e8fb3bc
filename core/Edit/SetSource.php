<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

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
        $pictures = $story->pictures;
        foreach ($this->pictures as $id) {
            if (!isset($pictures[$id])) {
                throw new Refused('The story does not hold that picture.');
            }
            $pictures[$id] = $pictures[$id]->withSource($pictures[$id]->source->changed($this->title, $this->author, $this->link, $this->licence));
        }

        $music = $story->music;
        foreach ($this->music as $id) {
            if (!isset($music[$id])) {
                throw new Refused('The story does not hold that music.');
            }
            $music[$id] = $music[$id]->withSource($music[$id]->source->changed($this->title, $this->author, $this->link, $this->licence));
        }

        return $story->with(pictures: $pictures, music: $music);
    }
}
