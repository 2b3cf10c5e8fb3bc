<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/** What a sound is in the mix. */
enum Bus: string
{
    /** One channel, of which only one is heard at a time. */
    case Voice = 'voice';
    /** Two channels; several may be heard at a time. */
    case Bed = 'bed';
    case Clip = 'clip';

    /** @return list<self> */
    public static function wide(): array
    {
        return [self::Clip, self::Bed];
    }
}
