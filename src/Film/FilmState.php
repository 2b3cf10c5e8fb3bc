<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

enum FilmState: string
{
    case Waiting = 'waiting';
    case Making = 'making';
    case Joining = 'joining';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    public function isOver(): bool
    {
        return \in_array($this, [self::Done, self::Failed, self::Cancelled], true);
    }
}
