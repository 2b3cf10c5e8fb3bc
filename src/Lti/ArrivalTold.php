<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Symfony\Component\Validator\Constraints as Assert;

/** What somebody who comes from a platform says to what they were asked: nothing where they only ask what comes next. */
final readonly class ArrivalTold
{
    public function __construct(
        #[Assert\Length(max: 64, maxMessage: 'field.invalid')]
        public string $ticket,
        /** Whether they are new here, or who is signed in. */
        #[Assert\Choice(choices: ['new', 'me'], message: 'field.invalid')]
        public ?string $who = null,
        /** A class that they lead, or 'new'. */
        public ?string $class = null,
        public ?string $task = null,
    ) {}
}
