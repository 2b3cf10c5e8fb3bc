<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Captions\SpokenThread;
use Rhapsode\Core\Captions\WordTimes;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\AddVoice;
use Rhapsode\Core\Edit\Around;
use Rhapsode\Core\Edit\LeaveOut;
use Rhapsode\Core\Edit\ShortenPauses;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\VoiceThread;

/** A slip costs a sentence: what was said is cut by places of the thread as it is heard. */
final class VoiceThreadTest extends TestCase
{
    private const SECOND = 48_000;

    /** @return list<Span> ten seconds of one recording, of which two were left out, and five of another */
    private static function spans(): array
    {
        return [
            new Span('a', 0, 4 * self::SECOND),
            new Span('a', 6 * self::SECOND, 10 * self::SECOND),
            new Span('b', self::SECOND, 6 * self::SECOND),
        ];
    }

    /**
     * @param list<Span> $spans
     *
     * @return list<array{string, float, float}> seconds
     */
    private static function told(array $spans): array
    {
        return array_map(static fn(Span $span): array => [$span->asset, (float) ($span->from / self::SECOND), (float) ($span->to / self::SECOND)], $spans);
    }

    /** @return iterable<array{float, float, list<array{string, float, float}>}> */
    public static function parts(): iterable
    {
        yield 'all' => [0, 13, [['a', 0.0, 4.0], ['a', 6.0, 10.0], ['b', 1.0, 6.0]]];
        yield 'within one' => [1, 2.5, [['a', 1.0, 2.5]]];
        yield 'over a cut' => [3, 5, [['a', 3.0, 4.0], ['a', 6.0, 7.0]]];
        yield 'over two' => [3, 9, [['a', 3.0, 4.0], ['a', 6.0, 10.0], ['b', 1.0, 2.0]]];
        yield 'up to a cut' => [0, 4, [['a', 0.0, 4.0]]];
        yield 'nothing' => [5, 5, []];
        yield 'beyond the end' => [12, 99, [['b', 5.0, 6.0]]];
    }

    /** @param list<array{string, float, float}> $told */
    #[DataProvider('parts')]
    public function testAPartIsWhatLiesBetweenTwoPlaces(float $from, float $to, array $told): void
    {
        self::assertSame($told, self::told(VoiceThread::part(self::spans(), (int) ($from * self::SECOND), (int) ($to * self::SECOND))));
    }

    public function testWhatIsLeftOutAndWhatIsLeftAreTheWholeInEveryOrder(): void
    {
        mt_srand(20);
        for ($i = 0; $i < 200; ++$i) {
            $places = array_map(static fn(): int => mt_rand(0, 13 * self::SECOND), range(1, 4));
            sort($places);
            [$a, $b, $c, $d] = $places;
            $left = VoiceThread::without(self::spans(), [[$c, $d], [$a, $b]]);
            self::assertSame(13 * self::SECOND - ($b - $a) - ($d - $c), VoiceThread::length($left));
            self::assertEquals($left, VoiceThread::without(VoiceThread::without(self::spans(), [[$c, $d]]), [[$a, $b]]));
            self::assertEquals($left, VoiceThread::without(self::spans(), [[$a, $b], [$a, intdiv($a + $b, 2)], [$c, $d]]));
        }
    }

    public function testWhatGoesOnInOneRecordingIsOneStretchAgain(): void
    {
        $parted = [...VoiceThread::part(self::spans(), 0, 100_000), ...VoiceThread::part(self::spans(), 100_000, 13 * self::SECOND)];

        self::assertCount(4, $parted);
        self::assertEquals(self::spans(), VoiceThread::joined($parted));
    }

    /** A voice of nine seconds with pauses from 2 to 3, 5 to 5.3 and 6 to 8. */
    private static function story(string $script = '', ?Framing $framing = null): Story
    {
        return Stories::of([[
            'voice' => 9.0, 'pauses' => [[2.0, 3.0], [5.0, 5.3], [6.0, 8.0]], 'script' => $script, 'framing' => $framing ?? new Framing(),
        ]]);
    }

    /** @return list<array{string, float, float}> of the recording, from where its voice begins */
    private static function left(Story $story): array
    {
        return array_map(
            static fn(array $told): array => [$told[0], round($told[1] - 1, 2), round($told[2] - 1, 2)],
            self::told($story->slides[0]->voice),
        );
    }

    private static function without(Story $story, int $from, int $to): Story
    {
        return (new LeaveOut('s0', VoiceThread::part($story->slides[0]->voice, $from, $to)))->apply($story);
    }

    private static function cut(float $from, float $to): Story
    {
        return self::without(self::story(), (int) ($from * self::SECOND), (int) ($to * self::SECOND));
    }

    public function testACutCloseToAPauseIsMadeInItAndElsewhereWhereItWasAsked(): void
    {
        self::assertSame([['t0', 0.0, 2.5], ['t0', 7.0, 9.0]], self::left(self::cut(2.5, 7.0)));
        self::assertSame([['t0', 0.0, 2.02], ['t0', 5.28, 9.0]], self::left(self::cut(1.97, 5.33)), 'neither word is torn');
        self::assertSame([['t0', 0.0, 0.5], ['t0', 1.0, 9.0]], self::left(self::cut(0.5, 1.0)));
        self::assertSame([['t0', 3.2, 9.0]], self::left(self::cut(0, 3.2)), 'an end is trimmed');
        self::assertSame([['t0', 0.0, 5.02], ['t0', 5.28, 9.0]], self::left(self::cut(5.01, 5.29)), 'all but a little of a pause');
    }

    public function testWhatIsLeftOutTwiceOrInAnyOrderIsLeftOutOnce(): void
    {
        $story = self::story();
        $spans = $story->slides[0]->voice;
        $out = static fn(float $from, float $to): LeaveOut => new LeaveOut(
            's0',
            VoiceThread::part($spans, (int) ($from * self::SECOND), (int) ($to * self::SECOND)),
        );
        foreach ([[1.97, 5.33], [2.5, 7.0], [0.5, 1.0], [0.0, 3.2]] as [$from, $to]) {
            $once = $out($from, $to)->apply($story);
            self::assertEquals($once, $out($from, $to)->apply($once), "{$from} to {$to}, by somebody who sees it still");
        }
        self::assertEquals(
            $out(0.5, 1.0)->apply($out(5.1, 7.0)->apply($story)),
            $out(5.1, 7.0)->apply($out(0.5, 1.0)->apply($story)),
            'each is a stretch of the recording, wherever that is heard',
        );
        self::assertSame([['t0', 0.0, 0.5], ['t0', 7.0, 9.0]], self::left($out(0.5, 5.15)->apply($out(5.15, 7.0)->apply($story))));
    }

    public function testSomethingOfAVoiceIsLeft(): void
    {
        $this->expectExceptionObject(new Refused('edit.nothing-left'));
        self::cut(0, 9);
    }

    public function testAPauseThatWasCutIsAsLongAsWhatIsLeftOfIt(): void
    {
        $story = self::cut(2.5, 7.0);
        $half = static fn(float $second): int => (int) ($second * self::SECOND);

        self::assertSame([[$half(2.0), $half(3.5)]], VoiceThread::pauses($story, $story->slides[0]->voice));
    }

    public function testPausesAreShortenedInTheirMiddleAndShortOnesStay(): void
    {
        $story = (new ShortenPauses(['s0'], 1.0))->apply(self::story());
        self::assertSame([['t0', 0.0, 6.5], ['t0', 7.5, 9.0]], self::left($story));
        self::assertEquals($story, (new ShortenPauses(['s0'], 1.0))->apply($story), 'once is enough');

        $story = (new ShortenPauses(['s0'], 0.4))->apply(self::story());
        self::assertEqualsWithDelta(6.8 * self::SECOND, VoiceThread::length($story->slides[0]->voice), 2, 'by 0.6 and 1.6 s');
        $longest = max([0, ...array_map(static fn(array $pause): int => $pause[1] - $pause[0], VoiceThread::pauses($story, $story->slides[0]->voice))]);
        self::assertEqualsWithDelta(0.4 * self::SECOND, $longest, 1);
    }

    public function testWhatHappensAtASecondStaysWithWhatIsSaidThen(): void
    {
        $frame = new Frame(0.1, 0.1, 0.5, 0.5);
        $framing = new Framing(Motion::Set, new Frame(0, 0, 1, 1), new Frame(0, 0, 1, 1), [
            Stop::atSecond($frame, 1.0), Stop::atSecond($frame, 4.0), Stop::atSecond($frame, 8.5),
        ]);
        $story = self::without(self::story('', $framing), 2 * self::SECOND + 24_000, 7 * self::SECOND);
        $seconds = array_map(static fn(Stop $stop): float => $stop->at, $story->slides[0]->picture()->framing->stops ?? []);

        self::assertSame([1.0, 2.5, 4.0], $seconds, 'what happened in what is left out happens where it was cut');
    }

    /** @return list<array{text: string, from: int, to: int}> */
    private static function sentences(Story $story): array
    {
        $timed = Pacing::of($story)[0];

        return SpokenThread::sentences(WordTimes::of($timed, $story), $timed, $story);
    }

    public function testSentencesAreFoundByTheirPausesAndPartedInTheMiddleOfThese(): void
    {
        // As long as it takes to say them: two seconds, two and one (with a comma between), and one.
        $sentences = self::sentences(self::story('The tide comes in at six. Then it fills the whole wide pond, slowly and softly. It turns.'));

        self::assertSame(
            ['The tide comes in at six.', 'Then it fills the whole wide pond, slowly and softly.', 'It turns.'],
            array_column($sentences, 'text'),
        );
        self::assertSame(0, $sentences[0]['from']);
        self::assertEqualsWithDelta(2.5, $sentences[0]['to'] / self::SECOND, 0.05);
        self::assertEqualsWithDelta(7.0, $sentences[1]['to'] / self::SECOND, 0.05);
        self::assertSame(9 * self::SECOND, $sentences[2]['to']);
    }

    public function testWhereNothingIsWrittenPausesPartWhatIsSaid(): void
    {
        self::assertSame([
            ['text' => '', 'from' => 0, 'to' => 120_000],
            ['text' => '', 'from' => 120_000, 'to' => 247_200],
            ['text' => '', 'from' => 247_200, 'to' => 336_000],
            ['text' => '', 'from' => 336_000, 'to' => 432_000],
        ], self::sentences(self::story()));
        self::assertSame([], self::sentences(Stories::of([['script' => 'Nobody says this.']])));
    }

    #[DataProvider('seeds')]
    public function testSentencesOfAnyStoryFollowOneAnotherWithoutGaps(int $seed): void
    {
        $story = Stories::random($seed);
        foreach (Pacing::of($story) as $timed) {
            $at = 0;
            foreach (SpokenThread::sentences(WordTimes::of($timed, $story), $timed, $story) as ['from' => $from, 'to' => $to]) {
                self::assertSame($at, $from);
                self::assertGreaterThan($from, $to);
                $at = $to;
            }
            self::assertSame($timed->slide->spokenSamples(), $at);
        }
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 30) as $seed) {
            yield [$seed];
        }
    }

    public function testASentenceThatIsLeftOutLeavesTheOthersAsTheyWere(): void
    {
        $story = self::story('The tide comes in at six. Then it fills the whole wide pond, slowly and softly. It turns.');
        [, $second] = self::sentences($story);
        $cut = self::without($story, $second['from'], $second['to']);
        $cut = $cut->with(slides: array_map(static fn(Slide $slide): Slide => $slide->with(script: 'The tide comes in at six. It turns.'), $cut->slides));

        self::assertSame([['t0', 0.0, 2.5], ['t0', 7.0, 9.0]], self::left($cut));
        self::assertEqualsWithDelta(3.0, self::sentences($cut)[1]['from'] / self::SECOND, 0.3, 'about the middle of the pause that is left');
    }

    /** @return list<array{float, float}> seconds of the thread, of a voice in which what is said from 2.5 and from 5.3 on is said again at 5.3 and 8 */
    private static function repeats(string $script, ?LeaveOut $edit = null): array
    {
        $story = self::story($script);
        $voice = $story->voice('t0');
        self::assertNotNull($voice);
        $second = static fn(float $at): int => (int) (($at + 1) * self::SECOND);
        $heard = new Voice('t0', $voice->file, $voice->samples, $voice->from, $voice->to, null, -3.0, pauses: $voice->pauses, repeats: [
            [$second(2.5), $second(5.3)], [$second(5.3), $second(8)],
        ]);
        self::assertEquals($heard, Story::fromJson($story->withAsset($heard)->toJson())->voice('t0'));
        $story = $story->withAsset($heard);
        $story = $edit?->apply($story) ?? $story;

        return array_map(
            static fn(array $repeat): array => [round($repeat[0] / self::SECOND, 2), round($repeat[1] / self::SECOND, 2)],
            VoiceThread::repeats($story, $story->slides[0]),
        );
    }

    public function testWhatWasSaidTwiceIsOfferedWhereItIsHeardStill(): void
    {
        $script = 'The tide comes in at six. Then it fills the pond.';
        self::assertSame([[2.5, 5.3], [5.3, 8.0]], self::repeats($script));
        self::assertSame([[2.5, 5.3], [5.3, 8.0]], self::repeats(''));

        $spans = self::story()->slides[0]->voice;
        $out = static fn(float $from, float $to): LeaveOut => new LeaveOut(
            's0',
            VoiceThread::part($spans, (int) ($from * self::SECOND), (int) ($to * self::SECOND)),
        );
        self::assertSame([[2.52, 5.22]], self::repeats($script, $out(2.5, 5.3)), 'the one is gone');
        self::assertSame([[1.5, 4.3], [4.3, 7.0]], self::repeats($script, $out(0.5, 1.5)), 'both have moved');
    }

    public function testARefrainIsMeant(): void
    {
        self::assertSame([], self::repeats('And the wheel went round. And the wheel went round and round.'));
        self::assertSame([], self::repeats('The tide comes in, and the wheel turns; the tide comes in, and it stops.'));
        self::assertNotSame([], self::repeats('And the wheel turns. And the mill sings. And so do we.'));
    }

    /** @param list<Span> $voice */
    private static function again(array $voice, float $from, float $to): Story
    {
        $take = new Voice('new', 'new.webm', 3 * self::SECOND, 4_800, 2 * self::SECOND, -20.0, -3.0);
        $around = Around::read(Fields::of([
            'voice' => array_map(static fn(Span $span): array => $span->toArray(), $voice),
            'from' => (int) ($from * self::SECOND),
            'to' => (int) ($to * self::SECOND),
        ]));
        self::assertEquals($around, Around::read(Fields::of($around->toArray())));

        return (new AddVoice($take, 's0', $around))->apply(self::story());
    }

    public function testASentenceIsSaidAgainAndTheOthersAreNot(): void
    {
        $voice = self::story()->slides[0]->voice;

        self::assertSame([['t0', 0.0, 2.5], ['new', -0.9, 1.0], ['t0', 7.0, 9.0]], self::left(self::again($voice, 2.5, 7.0)));
        self::assertSame([['t0', 0.0, 2.5], ['new', -0.9, 1.0]], self::left(self::again($voice, 2.5, 9.0)), 'all from there on');
        self::assertSame([['new', -0.9, 1.0]], self::left(self::again([], 0, 0)));
    }

    public function testATakeIsNeverRefusedForWhatItWasSpokenBetween(): void
    {
        $gone = [new Span('gone', 0, 5 * self::SECOND), new Span('t0', 95 * self::SECOND, 99 * self::SECOND)];
        self::assertSame([['new', -0.9, 1.0]], self::left(self::again($gone, 1, 2)));

        $many = array_map(static fn(int $i): Span => new Span('t0', 1000 * $i, 1000 * $i + 500), range(1, Limits::SPANS));
        self::assertSame([['new', -0.9, 1.0]], self::left(self::again($many, 0.005, 0.006)));

        $this->expectExceptionObject(new Malformed('document.slide-too-full', ['layers' => Limits::LAYERS, 'spans' => Limits::SPANS]));
        self::again([...$many, ...$gone], 0, 1);
    }
}
