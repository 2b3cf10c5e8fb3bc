<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Picture\PictureFiles;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;

/** Plans a story with what the store knows of its pictures' light. */
final readonly class PlanMaker
{
    public function __construct(private Planner $planner, private PictureFiles $pictures) {}

    public function plan(Story $story): Plan
    {
        $lights = [];
        foreach ($story->slides as $slide) {
            // Only words need to know what lies under them.
            if (null !== $slide->picture && '' !== trim($slide->caption->text)) {
                $lights[$slide->picture] ??= $this->pictures->light($slide->picture);
            }
        }

        return $this->planner->plan($story, array_filter($lights));
    }

}
