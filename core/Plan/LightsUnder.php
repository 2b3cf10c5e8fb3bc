<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Story\Story;

/** Of which pictures a plan needs to know the light: those that something is written on. */
final class LightsUnder
{
    /**
     * @template T
     *
     * @param \Closure(Rendition): T $light
     *
     * @return array<string, T> by Rendition::lightKey()
     */
    public static function of(Story $story, \Closure $light): array
    {
        $lights = [];
        foreach (self::renditions($story) as $rendition) {
            $lights[$rendition->lightKey()] ??= $light($rendition);
        }

        return $lights;
    }

    /** @return list<Rendition> */
    private static function renditions(Story $story): array
    {
        $backdrop = $story->style->own->picture;
        $renditions = null === $backdrop ? [] : [new Rendition($backdrop)];
        foreach ($story->slides as $slide) {
            foreach ($slide->isWrittenOn() ? $slide->pictures() : [] as $picture) {
                $renditions[] = new Rendition($picture->asset, $picture->recipe);
            }
        }

        return $renditions;
    }
}
