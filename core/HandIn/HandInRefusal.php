<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** Why something cannot be done with a hand-in. */
enum HandInRefusal: string
{
    case FilmNotMade = 'film-not-made';
    case FilmNotPlayed = 'film-not-played';
    case FilmDoesNotPlay = 'film-does-not-play';
    case FilmHandedInBefore = 'film-handed-in-before';
    case StoryAccepted = 'story-accepted';
    case Answered = 'answered';
    case Opened = 'opened';
    case Withdrawn = 'withdrawn';
    case Closed = 'closed';
    case NoAnswer = 'no-answer';
    case ReturnedWithoutAWord = 'returned-without-a-word';
    case NothingSaid = 'nothing-said';
    case NotHeard = 'not-heard';
    case SpokenTooLong = 'spoken-too-long';
}
