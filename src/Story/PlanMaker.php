<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\LightMap;

/** Plans a story with what the store knows of its pictures' light: once, however many ask. */
final readonly class PlanMaker
{
    /** @var \WeakMap<Story, Plan> */
    private \WeakMap $made;

    public function __construct(private Planner $planner, private AssetFiles $files)
    {
        $this->made = new \WeakMap();
    }

    public function plan(Story $story): Plan
    {
        return $this->made[$story] ??= $this->planner->plan($story, $this->lights($story));
    }

    /** @return array<string, LightMap> by Rendition::lightKey() */
    private function lights(Story $story): array
    {
        $lights = [];
        foreach ($story->slides as $slide) {
            // Only words need to know what lies under them.
            foreach ($slide->isWrittenOn() ? $slide->pictures() : [] as $picture) {
                $lights[(new Rendition($picture->asset, $picture->recipe))->lightKey()] ??= $this->files->light(
                    $picture->asset,
                    $picture->recipe,
                );
            }
        }

        $backdrop = $story->style->own->picture;
        if (null !== $backdrop) {
            $lights[(new Rendition($backdrop))->lightKey()] ??= $this->files->light($backdrop, new Recipe());
        }

        return array_filter($lights);
    }
}
