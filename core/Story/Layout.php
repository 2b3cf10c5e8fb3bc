<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;

/** How a slide is laid out. The pages of credits are made by the plan. */
enum Layout: string
{
    /** Words alone, to open or divide the story. */
    case Title = 'title';
    /** One picture over all of the slide, with captions. */
    case Full = 'full';

    /** @return list<Layer> what a slide has of whose layers nothing is said */
    public function usualLayers(): array
    {
        return match ($this) {
            self::Title => [new WordsLayer('title', WordsRole::Title)],
            self::Full => [],
        };
    }

    /**
     * @param list<Layer> $layers
     *
     * @throws Malformed where there is no room for one of them
     */
    public function check(array $layers): void
    {
        $roles = [];
        $pictures = 0;
        foreach ($layers as $layer) {
            $pictures += LayerKind::Picture === $layer->kind() ? 1 : 0;
            if ($layer instanceof WordsLayer) {
                $roles[] = $layer->role;
            }
        }
        $count = static fn(WordsRole $role): int => \count(array_filter($roles, static fn(WordsRole $one): bool => $one === $role));
        $onPicture = \count(array_filter($roles, static fn(WordsRole $role): bool => $role->isOnPicture()));
        $fits = match ($this) {
            self::Title => 0 === $pictures + $onPicture && max($count(WordsRole::Title), $count(WordsRole::Subtitle)) <= 1,
            self::Full => $pictures <= 1 && $onPicture === \count($roles) && $onPicture <= Limits::WORDS_ON_PICTURE,
        };
        if (!$fits) {
            throw new Malformed('document.no-room-for-layer');
        }
    }
}
