<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;

/** A film that is handed in is returned or accepted, once. */
enum HandInState: string
{
    case HandedIn = 'handed in';
    case Returned = 'returned';
    case Accepted = 'accepted';

    /**
     * @param self   $to   what the answer says
     * @param string $said the teacher's own words
     *
     * @throws Malformed when that is no answer
     * @throws Refused   when it was answered before that
     */
    public function answered(self $to, string $said): self
    {
        $this->remarked();

        return match (true) {
            self::HandedIn === $to => throw new Malformed('An answer returns the film or accepts it.'),
            self::Returned === $to && '' === $said => throw new Malformed('Say in a sentence what should be mended.'),
            default => $to,
        };
    }

    /**
     * Remarks come and go until the answer.
     *
     * @throws Refused
     */
    public function remarked(): self
    {
        return self::HandedIn === $this ? $this : throw new Refused('This film is answered already.');
    }
}
