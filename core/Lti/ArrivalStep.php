<?php

declare(strict_types=1);

namespace Rhapsode\Core\Lti;

/** What is asked of somebody who comes from a platform before they are where its link leads to. */
enum ArrivalStep: string
{
    /** Whether they have an account here already: nobody is taken for somebody else because of a name. */
    case Who = 'who';
    /** Which class the course is: a new one, or one that they lead. */
    case WhichClass = 'class';
    /** Which assignment the link leads to. */
    case WhichTask = 'task';
    /** The teacher has not been here yet. */
    case Wait = 'wait';
    case In = 'in';
    /** Back to the platform, with what was chosen. */
    case Back = 'back';
    /** Nothing here is meant for what they are there. */
    case NotMeant = 'not-meant';

    /** @param bool $isLinked whether it is known what the link leads to, or what was chosen for one */
    public static function next(Launch $launch, bool $isKnown, bool $hasClass, bool $isLinked): self
    {
        $teaches = Standing::Teaches === $launch->standing;

        return match (true) {
            Standing::Neither === $launch->standing, null !== $launch->deepLinking && !$teaches => self::NotMeant,
            !$isKnown => self::Who,
            // A link from a page that is no course leads to one's desk.
            null === $launch->course => null === $launch->deepLinking ? self::In : self::NotMeant,
            !$hasClass => $teaches ? self::WhichClass : self::Wait,
            null !== $launch->deepLinking => $isLinked ? self::Back : self::WhichTask,
            $isLinked || !$teaches => self::In,
            default => self::WhichTask,
        };
    }
}
