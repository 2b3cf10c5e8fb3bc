<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\HandIn\HandInRefusal;

/** How a refusal is answered: a conflict, or something wrong with what was asked. */
final class Refusals
{
    public static function said(HandInRefusal $refusal): Refused|Malformed
    {
        $code = 'hand-in.' . $refusal->value;

        return match ($refusal) {
            HandInRefusal::NoAnswer, HandInRefusal::ReturnedWithoutAWord, HandInRefusal::NothingSaid, HandInRefusal::SpokenTooLong => new Malformed($code),
            default => new Refused($code),
        };
    }
}
