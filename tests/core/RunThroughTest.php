<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\AddRunThrough;
use Rhapsode\Core\Sound\RecorderClock;
use Rhapsode\Core\Sound\Steps;
use Rhapsode\Core\Story\Story;

/** One recording for a whole story, divided by the steps from slide to slide. */
final class RunThroughTest extends TestCase
{
    private const SECOND = 48_000;

    /**
     * A recording of 20 s, in which somebody speaks from 1 to 19, but for these pauses.
     *
     * @param list<array{string, float}>  $steps  slide, and seconds of the recording
     * @param list<array{float, float}>   $pauses seconds
     * @param float|null                  $recorded seconds by the clock by which the steps were noted
     *
     * @return array<string, array{float, float}> what each slide speaks, seconds
     */
    private static function spoken(
        array $steps,
        array $pauses = [[4.0, 4.6], [5.2, 5.35], [9.0, 11.0], [14.0, 14.5]],
        ?float $recorded = null,
    ): array {
        $sample = static fn(float $second): int => (int) round($second * self::SECOND);
        $voice = new Voice('run', 'run.webm', $sample(20), $sample(1), $sample(19), -20.0, -3.0, pauses: array_map(
            static fn(array $pause): array => [$sample($pause[0]), $sample($pause[1])],
            $pauses,
        ));
        $told = array_map(static fn(array $step): array => ['slide' => $step[0], 'at' => $sample($step[1])], $steps);
        $before = Stories::of([['voice' => 2.0], [], [], []]);
        $steps = Steps::read(Fields::of(['steps' => $told]))->paced(RecorderClock::share(null === $recorded ? null : $sample($recorded), $sample(20)));
        $story = (new AddRunThrough($voice, $steps))->apply($before);
        self::assertEquals($voice, $story->voice('run')?->withTake($voice->take), 'the recording is kept whole');
        self::assertEquals($story, Story::fromJson($story->toJson()));
        $spoken = [];
        foreach ($story->slides as $slide) {
            $span = $slide->voice[0] ?? null;
            if (null !== $span && 'run' === $span->asset) {
                self::assertCount(1, $slide->voice);
                $spoken[$slide->id] = [round($span->from / self::SECOND, 2), round($span->to / self::SECOND, 2)];
            }
        }

        return $spoken;
    }

    public function testEachSlideSpeaksWhatWasSaidOfItWithoutTheSilenceAround(): void
    {
        self::assertSame(
            // Margins of 80 and 150 ms, as every voice has them.
            ['s0' => [1.0, 4.15], 's1' => [4.52, 9.15], 's2' => [10.92, 14.15], 's3' => [14.42, 19.0]],
            self::spoken([['s0', 0.0], ['s1', 4.3], ['s2', 10.0], ['s3', 14.2]]),
        );
    }

    public function testWhereSoundIsMissingAStepIsFoundEarlier(): void
    {
        $whole = self::spoken([['s0', 0.0], ['s1', 4.3], ['s2', 10.0], ['s3', 14.2]]);

        self::assertSame($whole, self::spoken([['s0', 0.0], ['s1', 6.45], ['s2', 15.0], ['s3', 21.3]], recorded: 30.0), 'a third of it');
        // It begins and ends a moment late; and what is longer than the clock says has lost nothing.
        foreach ([20.4, 20.0, 19.0] as $recorded) {
            self::assertSame($whole, self::spoken([['s0', 0.0], ['s1', 4.3], ['s2', 10.0], ['s3', 14.2]], recorded: $recorded));
        }
        self::assertSame(1.0, RecorderClock::share(30_000, 20_000), 'less than half a second');
        self::assertSame(0.5, RecorderClock::share(96_000, 48_000));
    }

    public function testAStepTooEarlyOrTooLateIsMovedToThePauseCloseByTheLongerRather(): void
    {
        $right = self::spoken([['s0', 0.0], ['s1', 4.3], ['s2', 10.0]]);

        self::assertSame($right, self::spoken([['s0', 0.0], ['s1', 3.6], ['s2', 8.51]]), 'before the last word was said');
        self::assertSame($right, self::spoken([['s0', 0.0], ['s1', 4.95], ['s2', 11.49]]), 'when the next had begun');
        self::assertSame([1.0, 6.5], self::spoken([['s0', 0.0], ['s1', 6.5]])['s0'], 'nowhere near a pause it stays where it was');
    }

    public function testWhoGoesBackSaysThatSlideAgainAndTheLastTimeCounts(): void
    {
        $spoken = self::spoken([['s0', 0.0], ['s1', 4.3], ['s0', 10.0], ['s1', 14.2]]);

        self::assertSame(['s0' => [10.92, 14.15], 's1' => [14.42, 19.0]], $spoken);
    }

    public function testASlideThatIsOnlyPassedKeepsWhatItSays(): void
    {
        $spoken = self::spoken([['s0', 0.0], ['s1', 4.3], ['s2', 9.4], ['s1', 9.8], ['s3', 10.4]]);

        self::assertSame(['s0' => [1.0, 4.15], 's1' => [4.52, 9.15], 's3' => [10.92, 19.0]], $spoken);
    }

    public function testStepsInTheWrongOrderOfSlidesDeletedMeanwhileAndBeyondTheEndDoNoHarm(): void
    {
        self::assertSame(
            ['s0' => [1.0, 4.15], 's2' => [10.92, 19.0]],
            self::spoken([['s2', 10.0], ['s0', 0.0], ['gone', 4.3], ['s3', 400.0]]),
        );
        self::assertSame(['s1' => [1.0, 19.0]], self::spoken([['s1', 3.0]], []));
        self::assertSame([], self::spoken([]));
    }

    public function testARecordingIsNotRefusedForItsManySteps(): void
    {
        $many = array_map(static fn(int $i): array => [0 === $i % 2 ? 's0' : 's1', $i / 1000], range(0, Limits::STEPS + 100));

        self::assertNotSame([], self::spoken($many));
    }

    public function testWhatIsNoStepIsRefused(): void
    {
        $this->expectException(Malformed::class);
        Steps::read(Fields::of(['steps' => [['slide' => 's0', 'at' => -1]]]));
    }
}
