<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/**
 * A film that is handed in may be taken back until whoever teaches the class has opened it. It is returned or accepted, once.
 * What is drafted was not handed in yet, and has no state here.
 */
enum HandInState: string
{
    case HandedIn = 'handed in';
    /** The teacher has looked at it. */
    case Opened = 'opened';
    case Returned = 'returned';
    case Accepted = 'accepted';
    case Withdrawn = 'withdrawn';

    /** Whether it waits for an answer. */
    public function waits(): bool
    {
        return self::HandedIn === $this || self::Opened === $this;
    }

    /** The teacher looks at it: twice is once, and what is answered stays so. */
    public function opened(): self|HandInRefusal
    {
        return match ($this) {
            self::HandedIn => self::Opened,
            self::Withdrawn => HandInRefusal::Withdrawn,
            default => $this,
        };
    }

    /** Its maker takes it back: twice is once. */
    public function withdrawn(): self|HandInRefusal
    {
        return match ($this) {
            self::HandedIn, self::Withdrawn => self::Withdrawn,
            self::Opened => HandInRefusal::Opened,
            self::Returned, self::Accepted => HandInRefusal::Answered,
        };
    }

    /**
     * @param self   $to   what the answer says
     * @param string $said the teacher's own words
     */
    public function answered(self $to, string $said): self|HandInRefusal
    {
        return match (true) {
            self::Withdrawn === $this => HandInRefusal::Withdrawn,
            !$this->waits() => HandInRefusal::Answered,
            self::Returned !== $to && self::Accepted !== $to => HandInRefusal::NoAnswer,
            self::Returned === $to && '' === $said => HandInRefusal::ReturnedWithoutAWord,
            default => $to,
        };
    }

    /** Remarks come and go until the answer. */
    public function remarkRefusal(): ?HandInRefusal
    {
        return match (true) {
            self::Withdrawn === $this => HandInRefusal::Withdrawn,
            $this->waits() => null,
            default => HandInRefusal::Answered,
        };
    }
}
