<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Random\Randomizer;

/** Who answers whose film, by lot: nobody their own, nobody one twice, and all films as often as each other, as far as that can be. */
final class Lots
{
    /** @var array<string, int> how many answer each film */
    private array $often;

    /** @var array<string, array<string, true>> by people the films that they answer */
    private array $has;

    /** @var list<array{string, string}> */
    private array $dealt = [];

    /**
     * @param array<string, list<string>> $films  by their ids who made them
     * @param list<string>                $people who answer
     * @param list<array{string, string}> $kept   who answers what already
     */
    private function __construct(private readonly array $films, private readonly array $people, array $kept)
    {
        $this->often = array_map(static fn(): int => 0, $films);
        $this->has = array_fill_keys($people, []);
        foreach ($kept as [$person, $film]) {
            $this->take($person, $film);
        }
    }

    /**
     * @param array<string, list<string>> $films  by their ids who made them
     * @param list<string>                $people who answer, each once
     * @param int                         $each   films that each of them answers, where there are so many
     * @param list<array{string, string}> $kept   who answers what already
     *
     * @return list<array{string, string}> who answers what besides: a person, a film
     */
    public static function deal(array $films, array $people, int $each, array $kept, Randomizer $chance): array
    {
        $lots = new self($films, $people, $kept);
        for ($round = 1; $round <= $each; ++$round) {
            foreach ($chance->shuffleArray($people) as $person) {
                $film = \count($lots->has[$person]) < $round ? $lots->rarest($person, $chance) : null;
                if (null !== $film) {
                    $lots->take($person, $film);
                    $lots->dealt[] = [$person, $film];
                }
            }
        }
        while ($lots->evened()) {
            // Until no one change would make it more even.
        }

        return $lots->dealt;
    }

    private function may(string $person, string $film): bool
    {
        return !isset($this->has[$person][$film]) && !\in_array($person, $this->films[$film], true);
    }

    private function take(string $person, string $film): void
    {
        $this->has[$person][$film] = true;
        $this->often[$film] = ($this->often[$film] ?? 0) + 1;
    }

    /** One of those that fewest answer; null where there is none that this person may. */
    private function rarest(string $person, Randomizer $chance): ?string
    {
        $open = array_filter($this->films, fn(string $film): bool => $this->may($person, $film), \ARRAY_FILTER_USE_KEY);
        $often = array_intersect_key($this->often, $open);
        $rare = [] === $often ? [] : array_keys($often, min($often), true);

        return [] === $rare ? null : (string) $rare[$chance->getInt(0, \count($rare) - 1)];
    }

    /** Somebody answers a rarer film instead of one that two more answer. @return bool whether there was one */
    private function evened(): bool
    {
        foreach ($this->dealt as $n => [$person, $film]) {
            foreach ($this->often as $other => $times) {
                $other = (string) $other;
                if ($this->often[$film] - $times > 1 && isset($this->films[$other]) && $this->may($person, $other)) {
                    unset($this->has[$person][$film]);
                    --$this->often[$film];
                    $this->take($person, $other);
                    $this->dealt[$n] = [$person, $other];

                    return true;
                }
            }
        }

        return false;
    }
}
