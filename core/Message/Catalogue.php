<?php

declare(strict_types=1);

namespace Rhapsode\Core\Message;

/** Says messages in a language. */
interface Catalogue
{
    /** @param string $language a BCP 47 tag; English where the catalogue does not have it */
    public function say(Message $message, string $language): string;
}
