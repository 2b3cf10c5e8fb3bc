<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;

/** How a slide is laid out. The pages of credits are made by the plan. */
enum Layout: string
{
    /** Words alone, to open the story. */
    case Title = 'title';
    /** Words alone, to open a part of it. */
    case Part = 'part';
    /** Words alone, to close it: who did what. */
    case Closing = 'closing';
    /** One picture over all of the slide, with captions. */
    case Full = 'full';
    /** Two beside each other. */
    case Beside = 'beside';
    /** Two over each other. */
    case Over = 'over';
    /** One that is larger, and two. */
    case Large = 'large-and-two';
    case Three = 'three';
    case Four = 'four';
    /** One that is larger, and room for words. */
    case WithWords = 'with-words';

    /** How many cells it has; none where what it shows is over all of the slide. */
    public function cells(): int
    {
        return match ($this) {
            self::Title, self::Part, self::Closing, self::Full => 0,
            self::Beside, self::Over, self::WithWords => 2,
            self::Large, self::Three => 3,
            self::Four => 4,
        };
    }

    /** Whether it has words and no picture. */
    public function isWordsAlone(): bool
    {
        return self::Title === $this || self::Part === $this || self::Closing === $this;
    }

    /** The usual one for so many things, 1 to 4. */
    public static function holding(int $things): self
    {
        return match (true) {
            $things <= 1 => self::Full,
            2 === $things => self::Beside,
            3 === $things => self::Large,
            default => self::Four,
        };
    }

    /** @return list<Layer> what a slide has of whose layers nothing is said */
    public function usualLayers(): array
    {
        return $this->isWordsAlone() ? [new WordsLayer('title', WordsRole::Title)] : [];
    }

    /**
     * @param list<Layer> $layers
     *
     * @throws Malformed where there is no room for one of them
     */
    public function check(array $layers): void
    {
        $roles = $cells = [];
        $pictures = 0;
        foreach ($layers as $layer) {
            $cell = $layer->cell();
            $pictures += $layer instanceof PictureLayer && null === $cell ? 1 : 0;
            if (null !== $cell) {
                $cells[] = $cell;
            } elseif ($layer instanceof WordsLayer) {
                $roles[] = $layer->role;
            }
        }
        $count = static fn(WordsRole $role): int => \count(array_filter($roles, static fn(WordsRole $one): bool => $one === $role));
        $onPicture = \count(array_filter($roles, static fn(WordsRole $role): bool => $role->isOnPicture()));
        $hasRoom = $cells === array_unique($cells) && max([-1, ...$cells]) < $this->cells();
        $fits = match (true) {
            $this->isWordsAlone() => 0 === $pictures + $onPicture && max($count(WordsRole::Title), $count(WordsRole::Subtitle)) <= 1,
            default => $pictures <= (self::Full === $this ? 1 : 0) && $onPicture === \count($roles) && $onPicture <= Limits::WORDS_ON_PICTURE,
        };
        if (!$fits || !$hasRoom) {
            throw new Malformed('document.no-room-for-layer');
        }
    }
}
