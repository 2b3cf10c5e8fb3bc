<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Edit\DealVoice;
use Rhapsode\Core\Sound\Dealt;
use Rhapsode\Core\Sound\Trim;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** One long recording, or several in a row, for many slides. */
final class DealtTest extends TestCase
{
    private const SECOND = 48_000;

    /** @param list<array{float, float}> $pauses seconds */
    private static function long(string $id, float $seconds, array $pauses): Voice
    {
        $sample = static fn(float $second): int => (int) round($second * self::SECOND);

        return new Voice($id, "{$id}.m4a", $sample($seconds), 0, $sample($seconds), -20.0, -3.0, pauses: array_map(
            static fn(array $pause): array => [$sample($pause[0]), $sample($pause[1])],
            $pauses,
        ));
    }

    private static function story(): Story
    {
        return Stories::of([
            ['layout' => Layout::Title, 'title' => 'The tide'], ['script' => 'It rose and it rose and it rose.'],
            ['script' => 'It fell.'], ['script' => 'It slept the whole night through.'], ['layout' => Layout::Closing],
        ]);
    }

    public function testSlidesOfWordsAloneAreForItOnlyWhereSomethingIsWrittenToBeSaid(): void
    {
        $ids = static function (array $slides): string {
            self::assertContainsOnlyInstancesOf(Slide::class, $slides);

            return implode(' ', array_column($slides, 'id'));
        };
        self::assertSame('s1 s2 s3', $ids(Dealt::slides(self::story(), null)));
        self::assertSame('s0 s1 s2 s3', $ids(Dealt::slides(self::story(), 's0')), 'or where somebody says so');
        self::assertSame('s2 s3', $ids(Dealt::slides(self::story(), 's2')));
    }

    public function testItIsDividedAtThePausesThatTheScriptsMakeOneExpect(): void
    {
        $story = self::story()->withAsset(self::long('l', 9.0, [[1.0, 1.2], [3.6, 4.4], [5.4, 6.0], [7.5, 7.7]]));
        $thread = [new Span('l', 0, 9 * self::SECOND)];
        $begins = Dealt::suggested($story, $thread, Dealt::slides($story, null));
        self::assertSame([0, (int) (4.0 * self::SECOND), (int) (5.7 * self::SECOND)], array_column($begins, 'at'));

        $dealt = (new DealVoice($thread, [['s1', 0], ['s2', $begins[1]['at']], ['s3', $begins[2]['at']]]))->apply($story);
        $spans = static fn(string $slide): array => array_map(static fn(Span $span): array => [$span->from, $span->to], $dealt->slide($slide)->voice ?? []);
        self::assertSame([[0, (int) (3.6 * self::SECOND) + Trim::AFTER]], $spans('s1'), 'without the silence between');
        self::assertSame([[(int) (4.4 * self::SECOND) - Trim::BEFORE, (int) (5.4 * self::SECOND) + Trim::AFTER]], $spans('s2'));
        self::assertSame([], $spans('s0'));
        self::assertSame($spans('s2')[0][0], $dealt->voice('l')?->take->for('s2')?->from, 'it is that slide’s take');
    }

    public function testPartsOfOneRecordingAreHeardAsOne(): void
    {
        $story = self::story()->withAsset(self::long('a', 4.0, [[1.0, 1.2]]))->withAsset(self::long('b', 5.0, [[1.5, 2.2]]));
        $thread = [new Span('a', 0, 4 * self::SECOND), new Span('b', 0, 5 * self::SECOND)];
        $dealt = (new DealVoice($thread, [['s1', 0], ['s2', 5 * self::SECOND + 40_000], ['gone', 8 * self::SECOND], ['s3', 9 * self::SECOND]]))->apply($story);
        self::assertSame(['a', 'b'], array_map(static fn(Span $span): string => $span->asset, $dealt->slide('s1')->voice ?? []));
        self::assertSame([], $dealt->slide('s3')->voice ?? null, 'nothing is left for it, and it keeps what it speaks');
    }

    public function testTheSilenceWhereOneRecordingEndsAndTheNextBeginsIsAPause(): void
    {
        $edged = static fn(string $id): Voice => new Voice($id, "{$id}.m4a", 192_000, 48_000, 144_000, -20.0, -3.0, pauses: [[90_000, 96_000]]);
        $story = self::story()->withAsset($edged('a'))->withAsset($edged('b'));
        $thread = [new Span('a', 48_000, 192_000), new Span('b', 0, 144_000)];
        self::assertSame([[42_000, 48_000], [96_000, 192_000], [234_000, 240_000]], Dealt::pauses($story, $thread));
        $begins = Dealt::suggested($story, $thread, \array_slice(Dealt::slides($story, null), 0, 2));
        self::assertSame(144_000, $begins[1]['at']);
    }

    public function testWithoutPausesItIsDividedByTheScriptsAlone(): void
    {
        $story = self::story()->withAsset(self::long('l', 9.0, []));
        $begins = Dealt::suggested($story, [new Span('l', 0, 9 * self::SECOND)], Dealt::slides($story, null));
        self::assertSame([1.0, 0.0, 0.0], array_column($begins, 'sure'));
        self::assertGreaterThan(3 * self::SECOND, $begins[1]['at']);
        self::assertGreaterThan($begins[1]['at'], $begins[2]['at']);
        self::assertSame([], Dealt::suggested($story, [], []));
    }
}
