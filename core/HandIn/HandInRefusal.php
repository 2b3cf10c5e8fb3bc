<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** Why something cannot be done with a hand-in. */
enum HandInRefusal: string
{
    case FilmNotMade = 'film-not-made';
    case FilmHandedInBefore = 'film-handed-in-before';
    case StoryAccepted = 'story-accepted';
    case Answered = 'answered';
    case NoAnswer = 'no-answer';
    case ReturnedWithoutAWord = 'returned-without-a-word';
}
