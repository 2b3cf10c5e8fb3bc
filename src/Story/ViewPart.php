<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Something that hangs on a story and is shown with it: its film, its hand-ins. It may change without the story. */
#[AutoconfigureTag]
interface ViewPart
{
    /** Its name in the story's view. */
    public function name(): string;

    public function of(StoryRecord $story): mixed;
}
