<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Sound\Trim;

final class SoundTest extends TestCase
{
    public function testTheVoiceIsFoundWithAMarginForBreath(): void
    {
        $levels = [...array_fill(0, 100, -62.0), ...array_fill(0, 200, -20.0), ...array_fill(0, 100, -62.0)];

        self::assertSame([(100 - 8) * 480, (300 + 15) * 480], Trim::voice($levels, 400 * 480));
    }

    public function testAClickIsNotAVoice(): void
    {
        $levels = [
            ...array_fill(0, 50, -65.0),
            -10.0,
            -12.0,
            ...array_fill(0, 50, -65.0),
            ...array_fill(0, 100, -22.0),
            ...array_fill(0, 20, -65.0),
        ];

        self::assertSame((102 - 8) * 480, Trim::voice($levels, \count($levels) * 480)[0]);
    }

    public function testAPauseWithinTheVoiceIsKept(): void
    {
        $levels = [
            ...array_fill(0, 30, -70.0),
            ...array_fill(0, 50, -20.0),
            ...array_fill(0, 200, -70.0),
            ...array_fill(0, 50, -20.0),
            ...array_fill(0, 30, -70.0),
        ];
        [$from, $to] = Trim::voice($levels, \count($levels) * 480);

        self::assertSame((345) * 480, $to);
        self::assertSame(22 * 480, $from);
    }

    public function testASoftVoiceInANoisyRoomIsNotCut(): void
    {
        $levels = [...array_fill(0, 100, -38.0), ...array_fill(0, 300, -24.0), ...array_fill(0, 100, -38.0)];
        [$from, $to] = Trim::voice($levels, 500 * 480);

        self::assertSame([92 * 480, 415 * 480], [$from, $to]);
    }

    public function testSilenceIsLeftWhole(): void
    {
        self::assertSame([0, 4800], Trim::voice(array_fill(0, 10, -120.0), 4800));
        self::assertSame([0, 4800], Trim::voice([], 4800));
    }

    /** AES TD1008: speech for streaming at about -16 LUFS. */
    public function testEveryVoiceIsBroughtToOneLoudness(): void
    {
        self::assertSame(7.5, Loudness::gain(new Voice('t', 'f', 10, 0, 10, -23.5, -4)));
        self::assertSame(-6.0, Loudness::gain(new Voice('t', 'f', 10, 0, 10, -10.0, -1)));
        self::assertSame(Loudness::MOST_GAIN, Loudness::gain(new Voice('t', 'f', 10, 0, 10, -60.0, -50)));
        self::assertSame(0.0, Loudness::gain(new Voice('t', 'f', 10, 0, 10, null, -90)));
    }
}
