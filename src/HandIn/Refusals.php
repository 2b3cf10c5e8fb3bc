<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\HandIn\HandInRefusal;

/** Says to people what core refuses by a code. */
final class Refusals
{
    public static function said(HandInRefusal $refusal): Refused|Malformed
    {
        return match ($refusal) {
            HandInRefusal::FilmNotMade => new Refused('This film is not made yet.'),
            HandInRefusal::FilmHandedInBefore => new Refused('This very film is handed in already.'),
            HandInRefusal::StoryAccepted => new Refused('This story was accepted already.'),
            HandInRefusal::Answered => new Refused('This film is answered already.'),
            HandInRefusal::NoAnswer => new Malformed('An answer returns the film or accepts it.'),
            HandInRefusal::ReturnedWithoutAWord => new Malformed('Say in a sentence what should be mended.'),
        };
    }
}
