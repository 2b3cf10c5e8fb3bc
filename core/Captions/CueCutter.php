<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

use Rhapsode\Core\Words\Unit;

/** Cuts a script's units into parts that each fit a cue, and sets a part in lines. */
final readonly class CueCutter
{
    /** What a break costs that comes after a clause, at a pause of the voice, or just between two words, in shares of a part's length. */
    private const AFTER_CLAUSE = 0.0;
    private const AT_PAUSE = 0.1;
    private const BETWEEN_WORDS = 0.35;
    /** Seconds. */
    private const PAUSE = 0.12;

    /** @var list<int> characters before each unit, spaces within counted */
    private array $before;

    /**
     * @param list<Unit>                $units
     * @param list<array{float, float}> $times seconds, for each unit
     */
    public function __construct(private array $units, private array $times)
    {
        $before = [0];
        foreach ($units as $unit) {
            $before[] = $before[\count($before) - 1] + $unit->length + $unit->spaces;
        }
        $this->before = $before;
    }

    /** @return list<array{int, int}> first and last unit of each part */
    public function parts(): array
    {
        $parts = [];
        $first = 0;
        foreach ($this->units as $i => $unit) {
            if ($unit->break >= Unit::SENTENCE || $i === \count($this->units) - 1) {
                array_push($parts, ...$this->cut($first, $i));
                $first = $i + 1;
            }
        }

        return $this->withoutFlashes($parts);
    }

    /** In one line, or in two of even length. */
    public function text(int $first, int $last): string
    {
        $break = $this->length($first, $last) <= CueMaker::LINE ? null : $this->lineBreak($first, $last);
        $text = '';
        for ($i = $first; $i <= $last; ++$i) {
            $text .= $i === $break || $i === $last ? rtrim($this->units[$i]->text) . ($i === $last ? '' : "\n") : $this->units[$i]->text;
        }

        return $text;
    }

    /** @return list<array{int, int}> a sentence cut evenly into as few parts as it needs, at the best place near each even share */
    private function cut(int $first, int $last): array
    {
        if ($first === $last || $this->fits($first, $last)) {
            return [[$first, $last]];
        }
        $length = max(1, $this->length($first, $last));
        $best = $first;
        $least = \INF;
        for ($i = $first; $i < $last; ++$i) {
            $cost = abs($this->length($first, $i) / $length - 0.5) + match (true) {
                Unit::CLAUSE === $this->units[$i]->break => self::AFTER_CLAUSE,
                $this->times[$i + 1][0] - $this->times[$i][1] >= self::PAUSE => self::AT_PAUSE,
                default => self::BETWEEN_WORDS,
            };
            if ($cost < $least) {
                [$best, $least] = [$i, $cost];
            }
        }

        return [...$this->cut($first, $best), ...$this->cut($best + 1, $last)];
    }

    /**
     * @param list<array{int, int}> $parts
     *
     * @return list<array{int, int}> with a part too short to be read joined to the one before, or after, where both fit
     */
    private function withoutFlashes(array $parts): array
    {
        $joined = [];
        $before = null;
        foreach ($parts as $part) {
            $turns = null !== $before && Unit::TURN === $this->units[$before[1]]->break;
            if (null !== $before && !$turns && ($this->isShort(...$before) || $this->isShort(...$part)) && $this->fits($before[0], $part[1])) {
                $before = [$before[0], $part[1]];
            } else {
                $joined[] = $before;
                $before = $part;
            }
        }
        $joined[] = $before;

        return array_values(array_filter($joined));
    }

    private function isShort(int $first, int $last): bool
    {
        $seconds = ($this->times[$last + 1][0] ?? \INF) - $this->times[$first][0];

        return $seconds * 1000 < CueMaker::SHORTEST || $this->length(
            $first,
            $last,
        ) > $seconds * CueMaker::PACE && $this->length($first, $last) < CueMaker::LINE;
    }

    private function fits(int $first, int $last): bool
    {
        if (1000 * ($this->times[$last][1] - $this->times[$first][0]) > CueMaker::LONGEST) {
            return false;
        }

        return $this->length($first, $last) <= CueMaker::LINE || null !== $this->lineBreak($first, $last);
    }

    private function length(int $first, int $last): int
    {
        return $this->before[$last + 1] - $this->before[$first] - $this->units[$last]->spaces;
    }

    /** The unit that the first of two lines ends with; null where two lines are not enough. A line likes to end with a clause. */
    private function lineBreak(int $first, int $last): ?int
    {
        $best = null;
        $least = \PHP_INT_MAX;
        for ($i = $first; $i < $last; ++$i) {
            $upper = $this->length($first, $i);
            $lower = $this->length($i + 1, $last);
            if ($upper > CueMaker::LINE || $lower > CueMaker::LINE) {
                continue;
            }
            $cost = abs($upper - $lower) - (Unit::WORD === $this->units[$i]->break ? 0 : 10);
            if ($cost < $least) {
                [$best, $least] = [$i, $cost];
            }
        }

        return $best;
    }
}
