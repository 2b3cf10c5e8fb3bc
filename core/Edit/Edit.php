<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;

/** One thing that a person does to a story. A pure function: it answers with a new story, or says why not. */
interface Edit
{
    /** @throws Refused */
    public function apply(Story $story): Story;
}
