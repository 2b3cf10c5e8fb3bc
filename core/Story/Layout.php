<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

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
    /** One picture over all of the slide, with a caption. */
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
        $room = match ($this) {
            self::Title => [WordsRole::Title, WordsRole::Subtitle],
            self::Full => [WordsRole::Caption],
        };
        if ($pictures > (self::Full === $this ? 1 : 0) || \count($roles) !== \count(array_unique(
            $roles,
            \SORT_REGULAR,
        )) || [] !== array_udiff($roles, $room, static fn(WordsRole $a, WordsRole $b): int => strcmp($a->value, $b->value))) {
            throw new Malformed('document.no-room-for-layer');
        }
    }
}
