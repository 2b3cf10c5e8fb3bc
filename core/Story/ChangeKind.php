<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

/** What is another on a slide than it was. */
enum ChangeKind: string
{
    case Added = 'added';
    case Removed = 'removed';
    /** It stands elsewhere among the slides that were there before, too. */
    case Moved = 'moved';
    case Picture = 'picture';
    case Words = 'words';
    case Voice = 'voice';
    /** What is read aloud, and what captions are made from. */
    case Script = 'script';
    /** How it is laid out, how long it stays, how it gives way to the next. */
    case Look = 'look';
}
