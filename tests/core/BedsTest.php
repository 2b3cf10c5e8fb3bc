<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Edit\DeleteSlides;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Music under the voice. Samples at 48 kHz. */
final class BedsTest extends TestCase
{
    /** @param list<Bed> $beds */
    private static function plan(array $beds, int $seconds = 300): Plan
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan(self::story($beds, $seconds));
    }

    /**
     * Two still seconds of 4 and 6 s, a voice, ten still seconds, a voice; no credits.
     *
     * @param list<Bed> $beds
     */
    private static function story(array $beds, int $seconds = 300): Story
    {
        $music = new Music('m', 'music.mp3', $seconds * 48_000, -14.0, -10.0, -0.5, new Source('Tune', 'Ann', '', 'CC0'));

        return Stories::of(
            [['stay' => 4.0], ['stay' => 6.0], ['voice' => 5.0], ['stay' => 10.0], ['voice' => 4.0]],
        )->withAsset($music)->withAsset(new Music('n', 'n.mp3', 48_000 * 200, -20.0, -18.0, -1.0))->with(beds: $beds, credits: false);
    }

    public function testItIsDownBeforeTheVoiceBeginsAndStaysDownUntilItHasEnded(): void
    {
        $plan = self::plan([new Bed('b', 'm')]);
        [$play] = $plan->plays(Bus::Bed);
        $open = Loudness::factor(-16 - Bed::UNDER + 14);
        $ducked = Loudness::factor(-16 - 22 + 10);
        foreach ($plan->plays(Bus::Voice) as $voice) {
            // A tenth of a second before, at the least: a first consonant is not covered (common practice).
            for ($at = $voice->at - 4_800; $at <= $voice->end(); $at += 480) {
                self::assertLessThanOrEqual($ducked + 1e-4, $play->gainAt($at));
            }
            self::assertEqualsWithDelta($open, $play->gainAt($voice->at - 48_000), 1e-6, 'up a second before');
        }
        // WCAG 2.2, 1.4.7: at least 20 dB under speech at -16 LUFS, by its loudest 3 s.
        self::assertLessThanOrEqual(-36.0, -10 + 20 * log10($ducked));
    }

    public function testItNeitherJumpsNorClicks(): void
    {
        $before = [0, 1.0];
        foreach (self::plan([new Bed('b', 'm')])->plays(Bus::Bed)[0]->gains as $i => [$sample, $gain]) {
            if ($i > 0) {
                self::assertLessThan(0.25, abs($gain - $before[1]) / max(1, $sample - $before[0]) * 4800, 'in a tenth of a second');
            } else {
                self::assertSame(0.0, $gain, 'it comes up from nothing');
            }
            $before = [$sample, $gain];
        }
        self::assertEqualsWithDelta(0.0, $before[1], 1e-6, 'and goes down to nothing');
    }

    public function testWithoutDuckingOnlyItsFadesAreLeft(): void
    {
        [$play] = self::plan([new Bed('b', 'm', ducks: false, fadeIn: 1.0)])->plays(Bus::Bed);

        self::assertEqualsWithDelta(Loudness::factor(-18.0), $play->gainAt(48_000 * 14), 1e-6);
        self::assertEqualsWithDelta(
            Loudness::factor(-18.0) * \M_SQRT1_2,
            $play->gainAt(24_000),
            0.01,
            'half way up its fade the power is half (common practice: equal power)',
        );
    }

    public function testItLiesUnderItsOwnSlides(): void
    {
        $plan = self::plan([new Bed('b', 'm', from: 's1', to: 's3', start: 7.5)]);
        [$play] = $plan->plays(Bus::Bed);

        self::assertSame($plan->scenes[1]->start * 1600, $play->at);
        self::assertSame($plan->scenes[3]->end * 1600, $play->end());
        self::assertSame(360_000, $play->from, 'it begins where its maker said');
    }

    public function testSlidesMovedPastEachOtherAreNoHarm(): void
    {
        [$play] = self::plan([new Bed('b', 'm', from: 's3', to: 's1')])->plays(Bus::Bed);
        [$same] = self::plan([new Bed('b', 'm', from: 's1', to: 's3')])->plays(Bus::Bed);

        self::assertEquals($same, $play);
    }

    public function testTwoInARowGiveWayToEachOtherWithEvenPower(): void
    {
        $plan = self::plan([new Bed('b', 'm', to: 's0', ducks: false), new Bed('c', 'm', from: 's1', ducks: false)]);
        [$first, $second] = $plan->plays(Bus::Bed);
        $middle = $plan->scenes[1]->start * 1600;

        self::assertSame(96_000, $first->end() - $second->at, 'two seconds together');
        self::assertSame($middle, ($first->end() + $second->at) / 2);
        for ($at = $second->at; $at < $first->end(); $at += 4000) {
            self::assertEqualsWithDelta(
                Loudness::factor(-18.0) ** 2,
                $first->gainAt($at) ** 2 + $second->gainAt($at) ** 2,
                0.01,
                'sine and cosine',
            );
        }
    }

    public function testAShortPieceBeginsAgainOrEnds(): void
    {
        $plays = self::plan([new Bed('b', 'm', ducks: false)], 12)->plays(Bus::Bed);
        self::assertGreaterThan(1, \count($plays));
        foreach ($plays as $i => $play) {
            self::assertLessThanOrEqual(12 * 48_000, $play->length());
            if ($i > 0) {
                self::assertSame(72_000, $plays[$i - 1]->end() - $play->at, 'over a seam of a second and a half');
            }
        }
        $plan = self::plan([new Bed('b', 'm', loops: false)], 12);
        self::assertCount(1, $plan->plays(Bus::Bed));
        self::assertSame(12 * 48_000, $plan->plays(Bus::Bed)[0]->end());
        self::assertEqualsWithDelta(0.0, $plan->plays(Bus::Bed)[0]->gainAt(12 * 48_000), 1e-6, 'faded out where it ends');
    }

    public function testADeletedSlideDrawsItBack(): void
    {
        $story = self::story([new Bed('b', 'm', from: 's1', to: 's3'), new Bed('c', 'm', from: 's4', to: 's4'), new Bed('d', 'm')]);
        $story = (new DeleteSlides(['s1', 's4']))->apply($story);

        self::assertSame(
            [['b', 's2', 's3'], ['d', null, null]],
            array_map(static fn(Bed $bed): array => [$bed->id, $bed->from, $bed->to], $story->beds),
        );
    }

    public function testItsSourceIsCredited(): void
    {
        self::assertContains('“Tune” by Ann · CC0', self::plan([new Bed('b', 'm')])->credits);
    }

    public function testItIsReadAsItWasWritten(): void
    {
        $story = self::story([new Bed('b', 'm', 's1', null, 3.5, 0.5, 4.0, 12.25, false, false)]);

        self::assertEquals($story->beds, Story::fromJson($story->toJson())->beds);
        self::assertEquals($story->assets, Story::fromJson($story->toJson())->assets);
    }
}
