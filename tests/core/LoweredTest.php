<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Lowered;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\SetLowered;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Sound\Breaths;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Clicks;
use Rhapsode\Core\Sound\Pauses;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Beside;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** What is heard beside a voice: found, lowered where it is heard, and as it was recorded where somebody wants that. */
final class LoweredTest extends TestCase
{
    private const BREATH = [96_000, 110_400];
    private const CLICK = [144_000, 144_480];

    /** @param list<Span> $spans */
    private static function story(array $spans = [new Span('t', 48_000, 192_000)]): Story
    {
        $voice = new Voice('t', 't.wav', 240_000, 48_000, 192_000, -20.0, -3.0, cleaned: 8.0, breaths: [self::BREATH], clicks: [self::CLICK]);

        return new Story('A story', [new Slide('a', voice: $spans)], ['t' => $voice]);
    }

    /** @return list<Play> */
    private static function plays(Story $story): array
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->plays(Bus::Voice);
    }

    /** The gain at a sample of the recording, in decibels over that of the voice. */
    private static function heard(Story $story, int $sample): float
    {
        foreach (self::plays($story) as $play) {
            if ($sample >= $play->from && $sample < $play->to) {
                $voice = max(array_column($play->gains, 1));

                return 20 * log10($play->gainAt($play->at + $sample - $play->from) / $voice);
            }
        }
        self::fail('It is not heard.');
    }

    public function testABreathStaysToBeHeardAndAClickHardly(): void
    {
        $story = self::story();

        self::assertEqualsWithDelta(0.0, self::heard($story, self::BREATH[0] - 1000), 0.001);
        self::assertEqualsWithDelta(-9.0, self::heard($story, self::BREATH[0]), 0.01);
        self::assertEqualsWithDelta(-9.0, self::heard($story, self::BREATH[1] - 1), 0.01);
        self::assertEqualsWithDelta(0.0, self::heard($story, self::BREATH[1] + 1000), 0.001);
        self::assertEqualsWithDelta(-18.0, self::heard($story, self::CLICK[0] + 100), 0.01);
        self::assertEqualsWithDelta(0.0, self::heard($story, self::CLICK[0] - 300), 0.001);
        // It goes down evenly, so that nothing clicks.
        self::assertGreaterThan(-9.0, $half = self::heard($story, self::BREATH[0] - 360));
        self::assertLessThan(0.0, $half);
    }

    public function testItIsLoweredWhereItIsHeardAndNowhereElse(): void
    {
        $cut = self::story([new Span('t', 60_000, 90_000), new Span('t', 100_000, 192_000)]);

        self::assertEqualsWithDelta(0.0, self::heard($cut, 89_000), 0.001);
        self::assertEqualsWithDelta(-9.0, self::heard($cut, 105_000), 0.01, 'in the middle of the breath, whatever was cut');
        self::assertCount(4, self::plays(self::story([new Span('t', 48_000, 90_000)]))[0]->gains, 'nothing of it is heard');
        foreach (self::plays($cut) as $play) {
            self::assertSame([$play->at, $play->end()], [$play->gains[0][0], $play->gains[\count($play->gains) - 1][0]]);
            self::assertSame([0.0, 0.0], [$play->gains[0][1], $play->gains[\count($play->gains) - 1][1]], 'still no click at its edges');
        }
    }

    public function testWhatIsHeardOfItIsCounted(): void
    {
        $beside = static fn(Span ...$spans): array => array_values(Beside::of(self::story(), array_values($spans)));

        self::assertEquals([8, 1, 1], $beside(new Span('t', 48_000, 192_000)));
        self::assertEquals([8, 0, 1], $beside(new Span('t', 48_000, 96_000), new Span('t', 110_400, 192_000)), 'the breath was left out');
        self::assertEquals([0, 0, 0], $beside());
    }

    public function testAsItWasRecordedAndLoweredAgain(): void
    {
        $spans = [new Span('t', 48_000, 90_000), new Span('t', 100_000, 192_000)];
        $story = self::story();
        $breathes = (new SetLowered($spans, Lowered::Breaths, false))->apply($story);

        self::assertEqualsWithDelta(0.0, self::heard($breathes, self::BREATH[0] + 1000), 0.001);
        self::assertEqualsWithDelta(-18.0, self::heard($breathes, self::CLICK[0] + 100), 0.01, 'the others stay lowered');
        self::assertEquals($breathes, (new SetLowered($spans, Lowered::Breaths, false))->apply($breathes), 'twice is once');
        self::assertEquals($story, (new SetLowered($spans, Lowered::Breaths, true))->apply($breathes));
        self::assertSame([false], array_column(self::plays($breathes), 'untouched'));

        $noisy = (new SetLowered($spans, Lowered::Noise, false))->apply($story);
        self::assertSame([true], array_column(self::plays($noisy), 'untouched'));
        self::assertTrue(self::plays($noisy)[0]->toArray()['untouched'] ?? false);
        self::assertArrayNotHasKey('untouched', self::plays($story)[0]->toArray());
        self::assertEquals($noisy, Story::fromArray($noisy->toArray()));

        $this->expectException(Refused::class);
        (new SetLowered([new Span('gone', 0, 100)], Lowered::Noise, true))->apply($story);
    }

    /**
     * @param list<float>           $levels
     * @param list<array{int, int}> $found
     */
    #[DataProvider('clicks')]
    public function testOnlyWhatStandsAloneIsAClick(array $levels, array $found): void
    {
        self::assertSame($found, Clicks::of($levels, [[0, \count($levels) * 480]]));
    }

    /** @return iterable<string, array{list<float>, list<array{int, int}>}> */
    public static function clicks(): iterable
    {
        $quiet = static fn(array $sounds): array => array_replace(array_fill(0, 80, -70.0), $sounds);
        yield 'one' => [$quiet([40 => -40.0, 41 => -45.0]), [[40 * 480, 42 * 480]]];
        yield 'two' => [$quiet([30 => -40.0, 50 => -35.0]), [[30 * 480, 31 * 480], [50 * 480, 51 * 480]]];
        yield 'as long as a consonant' => [$quiet(array_fill(40, 4, -40.0)), []];
        yield 'the end of a word' => [$quiet([8 => -40.0]), []];
        yield 'the beginning of the next' => [$quiet([65 => -40.0]), []];
        yield 'what comes in from the word before' => [$quiet([20 => -40.0, 21 => -42.0]), []];
        yield 'hardly to be heard' => [$quiet([40 => -53.0]), []];
        yield 'hardly more than the room' => [array_replace(array_fill(0, 80, -50.0), [40 => -39.0]), []];
        yield 'nothing' => [$quiet([]), []];
        yield 'too short a pause' => [array_fill(0, 20, -70.0), []];
    }

    public function testAClickDoesNotEndAPause(): void
    {
        $levels = array_replace(array_fill(0, 80, -70.0), [40 => -30.0, 41 => -35.0]);

        self::assertSame([[40 * 480, 42 * 480]], Clicks::of($levels, [[0, 40 * 480], [42 * 480, 80 * 480]]));
        self::assertSame([], Clicks::of($levels, [[0, 35 * 480], [42 * 480, 80 * 480]]), 'a word lies between');
    }

    public function testWhoDrawsBreathSaysNothing(): void
    {
        $pauses = [[0, 6_000], [20_000, 26_000], [60_000, 70_000]];

        self::assertSame([[0, 6_000], [20_000, 49_440], [60_000, 70_000]], Pauses::over($pauses, [[26_480, 48_000]]));
        self::assertSame([[0, 6_000], [20_000, 26_000], [38_560, 49_440], [60_000, 70_000]], Pauses::over($pauses, [[40_000, 48_000]]));
        self::assertSame([[0, 6_000], [20_000, 70_000]], Pauses::over($pauses, [[26_000, 60_000], [30_000, 31_000]]));
        self::assertSame($near = [[0, 6_000], [7_000, 13_000]], Pauses::over($near, []), 'between two pauses a t may be said');
        self::assertSame([], Pauses::over([], []));
    }

    /**
     * @param \Closure(int): float  $sound
     * @param list<array{int, int}> $found
     */
    #[DataProvider('breaths')]
    public function testABreathIsANoiseOutOfQuiet(\Closure $sound, int $before, int $long, int $behind, float $level, array $found): void
    {
        $levels = [
            ...array_fill(0, 50, -70.0), ...array_fill(0, 100, -20.0), ...array_fill(0, $before, -70.0), ...array_fill(0, $long, $level),
            ...array_fill(0, $behind, -70.0), ...array_fill(0, 100, -20.0), ...array_fill(0, 50, -70.0),
        ];

        self::assertSame($found, Breaths::of($levels, static fn(int $from, int $to): array => array_values(array_map($sound, range($from, $to - 1)))));
    }

    /** @return iterable<string, array{\Closure(int): float, int, int, int, float, list<array{int, int}>}> */
    public static function breaths(): iterable
    {
        mt_srand(5);
        $last = 0.0;
        // Low-passed noise, whose middle lies between 1 and 3 kHz.
        $noise = static function (int $i) use (&$last): float {
            return $last = 0.6 * $last + mt_rand(-100, 100) / 10_000;
        };
        $hiss = static fn(int $i): float => (0 === $i % 2 ? 1 : -1) * mt_rand(0, 100) / 10_000;
        $tone = static fn(int $i): float => 0.01 * (sin($i * 0.08) + sin($i * 0.16) + sin($i * 0.4));
        yield 'one' => [$noise, 20, 30, 8, -45.0, [[170 * 480, 200 * 480]]];
        yield 'one that runs into a word is left before that' => [$noise, 20, 30, 0, -45.0, [[170 * 480, 197 * 480]]];
        yield 'an s' => [$hiss, 20, 30, 8, -45.0, []];
        yield 'somebody hums' => [$tone, 20, 30, 8, -45.0, []];
        yield 'the end of a word' => [$noise, 0, 30, 8, -45.0, []];
        yield 'a consonant' => [$noise, 20, 14, 8, -45.0, []];
        yield 'as loud as the voice' => [$noise, 20, 30, 8, -28.0, []];
        yield 'the room' => [$noise, 20, 30, 8, -66.0, []];
        yield 'a wind that does not end' => [$noise, 20, 150, 8, -45.0, []];
    }

    public function testWithoutAVoiceNobodyBreathes(): void
    {
        $none = static fn(int $from, int $to): array => [];

        self::assertSame([], Breaths::of([], $none));
        self::assertSame([], Breaths::of(array_fill(0, 500, -70.0), $none));
        self::assertSame([], Clicks::of([], [[0, 48_000]]), 'levels of nothing');
    }
}
