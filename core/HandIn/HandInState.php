<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** A film that is handed in is returned or accepted, once. */
enum HandInState: string
{
    case HandedIn = 'handed in';
    case Returned = 'returned';
    case Accepted = 'accepted';

    /**
     * @param self   $to   what the answer says
     * @param string $said the teacher's own words
     */
    public function answered(self $to, string $said): self|HandInRefusal
    {
        return match (true) {
            self::HandedIn !== $this => HandInRefusal::Answered,
            self::HandedIn === $to => HandInRefusal::NoAnswer,
            self::Returned === $to && '' === $said => HandInRefusal::ReturnedWithoutAWord,
            default => $to,
        };
    }

    /** Remarks come and go until the answer. */
    public function remarkRefusal(): ?HandInRefusal
    {
        return self::HandedIn === $this ? null : HandInRefusal::Answered;
    }
}
