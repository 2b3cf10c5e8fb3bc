<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Sound\Cleaning;
use Rhapsode\Core\Sound\Pauses;
use Rhapsode\Core\Sound\VoiceActivity;

/** Levels in dBFS for each 10 ms. */
final class VoiceActivityTest extends TestCase
{
    public function testPausesOfAnEighthOfASecondAndMoreAreFound(): void
    {
        $levels = [
            ...array_fill(0, 50, -20.0), ...array_fill(0, 12, -70.0), ...array_fill(0, 50, -20.0),
            ...array_fill(0, 11, -70.0), ...array_fill(0, 50, -20.0), ...array_fill(0, 60, -70.0),
            ...array_fill(0, 50, -20.0),
        ];

        self::assertSame([[50 * 480, 62 * 480], [173 * 480, 233 * 480]], Pauses::of($levels, 0, \count($levels) * 480));
    }

    public function testNoiseIsHowFarTheQuietLiesUnderTheVoice(): void
    {
        self::assertEqualsWithDelta(30.0, VoiceActivity::noise([...array_fill(0, 100, -20.0), ...array_fill(0, 50, -50.0)]), 0.1);
        self::assertNull(VoiceActivity::noise(array_fill(0, 100, -20.0)), 'where it is never quiet nobody knows');
    }

    public function testNoiseIsLoweredGentlyAndOnlyWhereThereIsAny(): void
    {
        $of = static fn(float $quiet): ?Cleaning => Cleaning::of(
            [...array_fill(0, 80, $quiet), ...array_fill(0, 200, -20.0), ...array_fill(0, 80, $quiet)],
            360 * 480,
            [80 * 480, 280 * 480],
            [],
        );

        self::assertNull($of(-70.0), 'a quiet room is left alone');
        self::assertNotNull($of(-50.0));
        self::assertSame(12.0, $of(-50.0)->decibels, 'never by more');
        self::assertSame(5.0, $of(-60.0)?->decibels);
        self::assertGreaterThan(0, $of(-50.0)->noise[0], 'the button at the very edge is no noise');
        self::assertLessThan(80 * 480, $of(-50.0)->noise[1]);
    }

    public function testAVoiceCutOffAtACeilingIsClippedWhereverThatLies(): void
    {
        $voice = static fn(float $ceiling): array => array_map(
            static fn(int $i): float => min($ceiling, -20 + 12 * sin($i / 7) + 3 * sin($i / 2.3)),
            range(0, 500),
        );

        self::assertFalse(VoiceActivity::isClipped($voice(0.0)));
        self::assertTrue(VoiceActivity::isClipped($voice(-6.0)));
        self::assertTrue(VoiceActivity::isClipped($voice(-10.0)));
    }
}
