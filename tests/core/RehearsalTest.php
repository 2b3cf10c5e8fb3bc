<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Memo\ProcessMemo;
use Rhapsode\Core\Pacing\Pace;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Pacing\Rehearsal;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** How long a script takes to say: at the usual pace, and at one's own when that is known. */
final class RehearsalTest extends TestCase
{
    /** 25 words, of four letters each. */
    private const SCRIPT = 'Every day the sea comes up the river, stays a while, and goes home again. It does this twice, and nobody has to ask it.';

    /**
     * @return array{
     *     wordsPerMinute: int, isLearned: bool, seconds: float,
     *     slides: array<string, array{seconds: float, sentences: list<array{text: string, at: float}>}>
     * }
     */
    private static function told(Story $story): array
    {
        return (new Rehearsal($story, new ProcessMemo()))->told(Rate::frames(100.0));
    }

    public function testBeforeAnybodySpokeThePaceIsTheUsualOne(): void
    {
        $pace = Pace::of(Stories::of([['script' => self::SCRIPT]]), new ProcessMemo());
        self::assertSame([130.0, false], [$pace->words, $pace->isLearned]);
        $seconds = self::told(Stories::of([['script' => self::SCRIPT]]))['slides']['s0']['seconds'];
        // 25 words, 130 of them a minute.
        self::assertEqualsWithDelta(25 / 130 * 60, $seconds, 1.5);
    }

    public function testItIsLearnedFromWhatWasSpoken(): void
    {
        $slow = Stories::of([['script' => self::SCRIPT, 'voice' => 20.0], ['script' => self::SCRIPT]]);
        $quick = Stories::of([['script' => self::SCRIPT, 'voice' => 8.0], ['script' => self::SCRIPT]]);
        foreach ([[$slow, 20.0], [$quick, 8.0]] as [$story, $seconds]) {
            self::assertTrue(Pace::of($story, new ProcessMemo())->isLearned);
            self::assertEqualsWithDelta($seconds, self::told($story)['slides']['s1']['seconds'], 0.1, 'as long as it took before');
        }
    }

    /** @return iterable<string, array{float, string}> */
    public static function unheard(): iterable
    {
        yield 'a few seconds' => [3.0, 'It does this twice, and nobody asks.'];
        yield 'much slower than anybody speaks' => [60.0, self::SCRIPT];
        yield 'much faster than anybody speaks' => [9.0, str_repeat(self::SCRIPT . ' ', 6)];
        yield 'nothing is written' => [20.0, ' '];
    }

    #[DataProvider('unheard')]
    public function testFromWhatTellsNothingNothingIsLearned(float $voice, string $script): void
    {
        $pace = Pace::of(Stories::of([['script' => $script, 'voice' => $voice]]), new ProcessMemo());
        self::assertSame([Pace::USUAL, false], [$pace->words, $pace->isLearned]);
    }

    /** Sentences by Unicode's rules (UAX #29), in languages without spaces too; joined they are the script. */
    public function testItIsToldSentenceBySentence(): void
    {
        foreach ([
            'en' => ['It rose. Then, at 3.15 a.m., it fell! Why?', 3],
            'ja' => ['潮が満ちる。水車が回る。', 2],
            'ar' => ['المد يأتي. ثم يعود.', 2],
            'de' => ["Das Rad\ndreht sich,\n  und dreht sich.", 3],
        ] as $language => [$script, $count]) {
            $slide = self::told(Stories::of([['script' => $script]])->with(language: $language))['slides']['s0'];
            self::assertCount($count, $slide['sentences'], $language);
            self::assertSame($script, implode('', array_column($slide['sentences'], 'text')), 'as it was written, line by line');
            $begins = array_column($slide['sentences'], 'at');
            self::assertSame(0.0, $begins[0]);
            foreach ([...\array_slice($begins, 1), $slide['seconds']] as $i => $next) {
                self::assertGreaterThan($begins[$i] + 0.2, $next);
            }
        }
        self::assertSame([], self::told(Stories::of([['script' => '  ']]))['slides']);
    }

    public function testTheFilmIsSoLongWhenAllThatIsWrittenIsSpoken(): void
    {
        // Two that are spoken, or have nothing to say, are as long as they are.
        self::assertSame(100.0, self::told(Stories::of([['script' => self::SCRIPT, 'voice' => 12.0], []]))['seconds']);
        $story = Stories::of([[], ['script' => self::SCRIPT], ['script' => 'Ja.', 'stay' => 9.0]]);
        $told = self::told($story);
        $said = $told['slides']['s1']['seconds'];
        [, $timed] = Pacing::of($story);
        // What it takes beyond what it stays now; the last stays longer than it takes.
        self::assertEqualsWithDelta(
            100 + Rate::seconds($timed->comesIn) + $said + 1.0 - Rate::seconds($timed->stay),
            $told['seconds'],
            0.1,
        );
    }
}
