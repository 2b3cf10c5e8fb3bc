<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\Core\Lti\ArrivalStep;
use Rhapsode\Core\Lti\Launch;

/** How far somebody has come. */
final readonly class Arrived
{
    public ArrivalStep $step;

    public function __construct(public Launch $launch, public ?User $person, public ?Classroom $classroom, public ?Assignment $assignment)
    {
        $this->step = ArrivalStep::next($launch, null !== $person, null !== $classroom, null !== $assignment);
    }
}
