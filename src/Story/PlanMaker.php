<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Plan\LightsUnder;
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
        return array_filter(LightsUnder::of($story, fn(Rendition $rendition): ?LightMap => $this->files->light($rendition->asset, $rendition->recipe)));
    }
}
