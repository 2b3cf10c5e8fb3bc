<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** What an assignment asks of a story. */
final readonly class Wanted
{
    /**
     * @param int         $least       seconds of its film
     * @param int         $most        seconds of its film
     * @param int|null    $letters     that stand on a picture at most; null: as many as fit
     * @param int|null    $leastSlides null: as few as one likes
     * @param int|null    $mostSlides  null: as many as one likes
     * @param list<Asked> $asked
     */
    public function __construct(
        public int $least,
        public int $most,
        public ?int $letters = null,
        public ?int $leastSlides = null,
        public ?int $mostSlides = null,
        public array $asked = [],
    ) {}

    public function asks(Asked $what): bool
    {
        return \in_array($what, $this->asked, true);
    }

    /** @return 'too-short'|'too-long'|null what a film of that many seconds is; null where it is as long as was asked for */
    public function length(float $seconds): ?string
    {
        return match (true) {
            $seconds < $this->least => 'too-short',
            $seconds > $this->most => 'too-long',
            default => null,
        };
    }
}
