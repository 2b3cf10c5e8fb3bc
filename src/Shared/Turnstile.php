<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Doctrine\DBAL\Connection;

/**
 * Lets a few preparations of pictures and sounds run at once, so that one person's work never takes every PHP process.
 * The places are advisory locks of PostgreSQL: all computers count together, and a process that ends gives its place back.
 */
final readonly class Turnstile
{
    public const HOUSE = 4;
    public const PERSON = 2;

    public function __construct(private Connection $database) {}

    /**
     * @template T
     *
     * @param string           $person whose work it is
     * @param string           $what   what it is about: the same thing is never done twice at once
     * @param \Closure(): T    $work
     *
     * @return T
     *
     * @throws Busy
     */
    public function through(string $person, string $what, \Closure $work): mixed
    {
        $held = [];
        try {
            $held[] = $this->take([$what]);
            $held[] = $this->take(self::places("person {$person}", self::PERSON));
            $held[] = $this->take(self::places('house', self::HOUSE));

            return $work();
        } finally {
            foreach ($held as $place) {
                $this->database->executeStatement('SELECT pg_advisory_unlock(hashtextextended(?, 1))', [$place]);
            }
        }
    }

    /**
     * @param non-empty-list<string> $places
     *
     * @throws Busy when none of them is free
     */
    private function take(array $places): string
    {
        foreach ($places as $place) {
            if (true === $this->database->fetchOne('SELECT pg_try_advisory_lock(hashtextextended(?, 1))', [$place])) {
                return $place;
            }
        }
        throw new Busy();
    }

    /** @return non-empty-list<string> */
    private static function places(string $of, int $count): array
    {
        return array_map(static fn(int $i): string => "{$of} {$i}", range(1, max(1, $count)));
    }
}
