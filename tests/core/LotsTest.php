<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rhapsode\Core\HandIn\Lots;

final class LotsTest extends TestCase
{
    /**
     * @param list<array{string, string}> $dealt
     *
     * @return array<string, list<string>> by people
     */
    private static function byPeople(array $dealt): array
    {
        $by = [];
        foreach ($dealt as [$person, $film]) {
            $by[$person][] = $film;
        }

        return $by;
    }

    /** In classes of any size, with groups and with some who made nothing. */
    public function testNobodyAnswersTheirOwnAndAllFilmsAreAnsweredAlike(): void
    {
        $chance = new Randomizer(new Mt19937(12));
        for ($n = 0; $n < 300; ++$n) {
            $people = array_map(static fn(int $i): string => "p{$i}", range(1, $chance->getInt(2, 30)));
            $each = $chance->getInt(1, 3);
            $films = [];
            foreach ($people as $i => $person) {
                if ($chance->getInt(0, 4) > 0) {
                    $films["f{$i}"] = 0 === $chance->getInt(0, 5) ? [$person, $people[($i + 1) % \count($people)]] : [$person];
                }
            }
            $dealt = Lots::deal($films, $people, $each, [], $chance);
            $by = self::byPeople($dealt);
            foreach ($people as $person) {
                $theirs = $by[$person] ?? [];
                $open = array_filter($films, static fn(array $makers): bool => !\in_array($person, $makers, true));
                self::assertCount(min($each, \count($open)), $theirs);
                self::assertSame($theirs, array_unique($theirs));
                self::assertSame([], array_diff($theirs, array_keys($open)));
            }
            // With fewer films than that somebody may have no other choice.
            if (\count($films) > 2 * $each) {
                $often = array_count_values(array_column($dealt, 1)) + array_map(static fn(): int => 0, $films);
                self::assertLessThanOrEqual(1, max($often) - min($often), json_encode([$films, $dealt], \JSON_THROW_ON_ERROR));
            }
        }
    }

    public function testWhatWasDealtStaysAndOnlyWhatLacksComesOnTop(): void
    {
        $films = ['a' => ['ann'], 'b' => ['bo'], 'c' => ['cleo'], 'd' => ['dan']];
        $people = ['ann', 'bo', 'cleo', 'dan'];
        $first = Lots::deal($films, $people, 1, [], new Randomizer(new Mt19937(1)));
        self::assertCount(4, $first);
        self::assertSame([], Lots::deal($films, $people, 1, $first, new Randomizer(new Mt19937(2))));
        // One more has come, and a film of hers: she answers one, nobody else does one more.
        $more = Lots::deal($films + ['e' => ['eve']], [...$people, 'eve'], 1, $first, new Randomizer(new Mt19937(3)));
        self::assertSame(['eve'], array_column($more, 0));
        self::assertNotSame('e', $more[0][1]);
        // Somebody who has left the class is not counted, and a film that was taken back neither.
        self::assertCount(3, Lots::deal(['a' => ['ann'], 'b' => ['bo']], ['ann', 'bo', 'cleo'], 1, [['zoe', 'gone']], new Randomizer(new Mt19937(4))));
    }

    public function testEachTimeOtherwise(): void
    {
        $films = array_combine(range('a', 'j'), array_map(static fn(string $one): array => ["by {$one}"], range('a', 'j')));
        $people = array_map(static fn(string $one): string => "by {$one}", range('a', 'j'));
        $deals = array_map(static fn(int $seed): array => Lots::deal($films, $people, 2, [], new Randomizer(new Mt19937($seed))), range(1, 5));
        self::assertCount(5, array_unique(array_map(json_encode(...), $deals)));
    }

    public function testWhereThereIsNothingNothingIsDealt(): void
    {
        self::assertSame([], Lots::deal([], ['ann'], 2, [], new Randomizer()));
        self::assertSame([], Lots::deal(['a' => ['ann']], ['ann'], 2, [], new Randomizer()));
        self::assertSame([], Lots::deal(['a' => ['ann']], [], 2, [], new Randomizer()));
    }
}
