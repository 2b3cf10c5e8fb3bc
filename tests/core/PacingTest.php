<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Edit\SetTrim;
use Rhapsode\Core\Edit\ShareLength;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Timing\Rate;

final class PacingTest extends TestCase
{
    /** Common practice: fourteen slides at 5 s are 1 min 10 s. */
    public function testFourteenSlidesAtFiveSecondsMakeOneMinuteTen(): void
    {
        $timed = Pacing::of(Stories::of(array_fill(0, 14, ['stay' => 5.0])));

        self::assertSame(70 * 30, $timed[13]->end());
    }

    /** Common practice: nine pictures over 90 s are 10 s each. */
    public function testNineSlidesOverNinetySecondsAreTenEach(): void
    {
        $story = Stories::of(array_fill(0, 9, []));
        $shared = (new ShareLength(array_map(static fn(Slide $s): string => $s->id, $story->slides), 90))->apply($story);

        self::assertSame(array_fill(0, 9, 300), array_map(static fn(TimedSlide $t): int => $t->stay, Pacing::of($shared)));
    }

    public function testALengthThatDoesNotDivideIsSharedToTheFrame(): void
    {
        self::assertSame([34, 33, 33], Pacing::share(100, 3));
    }

    public function testAVoicedSlideStaysForItsTransitionTwoBreathsAndItsVoice(): void
    {
        [$first, $second] = Pacing::of(Stories::of([['voice' => 3.0], ['voice' => 2.01]]));

        self::assertSame(0 + 15 + 90 + 15, $first->stay, 'the first slide has no transition in');
        // 2.01 s are 60.3 frames: the slide stays until the voice is over.
        self::assertSame(30 + 15 + 61 + 15, $second->stay);
        self::assertSame((120 + 30 + 15) * 1600, $second->voice[0]->at);
    }

    public function testUntrimmedTheWholeRecordingIsHeard(): void
    {
        [$slide] = Pacing::of((new SetTrim('s0', false))->apply(Stories::of([['voice' => 3.0]])));

        self::assertSame(5 * 48_000, $slide->voice[0]->to);
        self::assertSame(15 + 150 + 15, $slide->stay);
    }

    public function testWithoutAVoiceAPictureStaysFourSecondsAndATitleFive(): void
    {
        [$title, $picture] = Pacing::of(Stories::of([['layout' => Layout::Title], []]));

        self::assertSame([150, 120], [$title->stay, $picture->stay]);
    }

    public function testAShortSlideIsSeenAloneForAtLeastHalfItsTime(): void
    {
        [, $short] = Pacing::of(Stories::of([[], ['stay' => 0.5]]));

        self::assertSame(7, $short->comesIn);
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 200) as $seed) {
            yield [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testStaysAddUpAndNobodySpeaksDuringATransition(int $seed): void
    {
        $timed = Pacing::of(Stories::random($seed));
        $at = 0;
        foreach ($timed as $i => $one) {
            self::assertSame($at, $one->start);
            $at += $one->stay;
            foreach ($one->voice as $k => $span) {
                self::assertGreaterThanOrEqual(($one->start + $one->comesIn) * Rate::SAMPLES_PER_FRAME, $span->at);
                self::assertLessThanOrEqual($one->end() * Rate::SAMPLES_PER_FRAME, $span->end());
                if (isset($one->voice[$k + 1])) {
                    self::assertSame($span->end(), $one->voice[$k + 1]->at, 'spans follow each other without a gap');
                }
            }
            self::assertLessThanOrEqual($one->stay, $one->comesIn, "slide {$i} is over before it has come in");
        }
    }
}
