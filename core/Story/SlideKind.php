<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** What a slide shows: words alone to open or divide the story, or a picture. Credits are made by the plan. */
enum SlideKind: string
{
    case Title = 'title';
    case Picture = 'picture';
}
