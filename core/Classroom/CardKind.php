<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/** What stands on a child's card besides its code: three easy words, or three pictures for who does not read yet. */
enum CardKind: string
{
    case Words = 'words';
    case Pictures = 'pictures';

    /** @return non-empty-list<string> what a secret is made of */
    public function signs(): array
    {
        return match ($this) {
            self::Words => EasyWords::all(),
            self::Pictures => EasyPictures::all(),
        };
    }
}
