<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\Core\Story\StyleName;

/** The style that stories for an assignment begin with; null for the usual one. */
final readonly class AssignmentStyle
{
    public function __construct(public ?StyleName $style) {}
}
