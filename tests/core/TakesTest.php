<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Take;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Captions\CueMaker;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\AddRunThrough;
use Rhapsode\Core\Edit\AddVoice;
use Rhapsode\Core\Edit\EditReader;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Sound\HowItSounds;
use Rhapsode\Core\Sound\Steps;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Every take is kept: which slide it was for, how it sounds, who speaks. */
final class TakesTest extends TestCase
{
    private static function voice(string $id, float $loudness = -20.0, float $peak = -3.0, ?float $noise = null, bool $clipped = false): Voice
    {
        return new Voice($id, "{$id}.wav", 240_000, 24_000, 216_000, $loudness, $peak, $noise, $clipped, [[0, 33_600], [206_400, 240_000]]);
    }

    /** @param array<string, mixed> $edit */
    private static function edited(Story $story, array $edit): Story
    {
        return EditReader::read(Fields::of($edit))->apply($story);
    }

    /** @return list<array{int, int, string}> */
    private static function voiceOf(Story $story, string $slide): array
    {
        return array_map(static fn(Span $span): array => [$span->from, $span->to, $span->asset], $story->slide($slide)->voice ?? []);
    }

    public function testATakeIsKnownByTheSlideThatItWasSpokenFor(): void
    {
        $story = (new AddVoice(self::voice('a'), 's1'))->apply(Stories::of([[], []]));
        $story = (new AddVoice(self::voice('b'), 's1'))->apply($story);
        self::assertSame([24_000, 216_000], [$story->voice('a')?->take->for('s1')?->from, $story->voice('a')?->take->for('s1')?->to]);
        self::assertNull($story->voice('a')?->take->for('s0'));

        $back = self::edited($story, ['do' => 'choose voice', 'slide' => 's1', 'asset' => 'a']);
        self::assertSame([[24_000, 216_000, 'a']], self::voiceOf($back, 's1'));
    }

    /** Of a recording for many slides each has its own part back, and never the others'. */
    public function testASlidesOwnPartOfARunThroughIsHadBack(): void
    {
        $steps = Steps::read(Fields::of(['steps' => [['slide' => 's0', 'at' => 0], ['slide' => 's1', 'at' => 120_000]]]));
        $story = (new AddRunThrough(self::voice('run'), $steps))->apply(Stories::of([[], []]));
        $own = self::voiceOf($story, 's1');
        $bare = self::edited($story, ['do' => 'choose voice', 'slide' => 's1', 'asset' => null]);
        self::assertSame([], self::voiceOf($bare, 's1'));
        self::assertSame($own, self::voiceOf(self::edited($bare, ['do' => 'choose voice', 'slide' => 's1', 'asset' => 'run']), 's1'));
        // Of a document that was written and read again too.
        self::assertEquals($story, Story::fromArray($story->toArray()));
    }

    public function testTwoTakesAreJoinedOnceHoweverOftenItIsAsked(): void
    {
        $story = (new AddVoice(self::voice('b'), null))->apply((new AddVoice(self::voice('a'), 's0'))->apply(Stories::of([[]])));
        $join = ['do' => 'choose voice', 'slide' => 's0', 'asset' => 'b', 'joined' => true];
        $joined = self::edited(self::edited($story, $join), $join);
        self::assertSame([[24_000, 216_000, 'a'], [24_000, 216_000, 'b']], self::voiceOf($joined, 's0'));
    }

    public function testATakeIsNamedAndPutAwayAndStillSpeaks(): void
    {
        $story = (new AddVoice(self::voice('a'), 's0'))->apply(Stories::of([[]]));
        $story = self::edited($story, ['do' => 'set take', 'asset' => 'a', 'changes' => ['name' => ' the calm one ']]);
        $story = self::edited($story, ['do' => 'set take', 'asset' => 'a', 'changes' => ['away' => true]]);
        self::assertSame(['the calm one', true], [$story->voice('a')?->take->name, $story->voice('a')?->take->away]);
        self::assertSame([[24_000, 216_000, 'a']], self::voiceOf($story, 's0'));
        self::assertNotNull($story->voice('a')?->take->for('s0'), 'what it was made for is not touched');

        $this->expectException(Malformed::class);
        self::edited($story, ['do' => 'set take', 'asset' => 'a', 'changes' => ['madeFor' => []]]);
    }

    public function testWhatIsWrongWithItsSoundIsSaid(): void
    {
        $flaws = static fn(Voice $voice): array => array_map(static fn(HowItSounds $flaw): string => $flaw->value, HowItSounds::of($voice));
        self::assertSame([], $flaws(self::voice('a')));
        self::assertSame(['too-quiet', 'noisy'], $flaws(self::voice('a', -45.0, -30.0, 12.0)));
        self::assertSame(['clipped'], $flaws(self::voice('a', clipped: true)));
        self::assertSame(['silent'], $flaws(new Voice('a', 'a.wav', 10, 0, 10, null, -90.0)));
    }

    /** An interview: a caption begins with the name of whoever begins to speak, and none has the words of two. */
    public function testCaptionsSayWhoSpeaks(): void
    {
        $asks = self::voice('asks')->withTake(new Take(speaker: 'Mara'));
        $tells = self::voice('tells')->withTake(new Take(speaker: 'Old Tom'));
        $story = (new AddVoice($tells, null))->apply((new AddVoice($asks, 's0'))->apply(Stories::of([['script' => 'Why? No one knows.']])));
        self::assertSame(['Why? No one knows.'], self::captions(self::edited($story, self::speaker('asks', ''))), 'nobody is named');
        self::assertSame(['Mara: Why? No one knows.'], self::captions($story));

        $asked = self::edited($story, ['do' => 'set script', 'slide' => 's0', 'script' => 'Why? Why does it turn? No one knows. It always has.']);
        $both = self::edited($asked, ['do' => 'choose voice', 'slide' => 's0', 'asset' => 'tells', 'joined' => true]);
        self::assertSame(['Mara: Why? Why does it turn?', 'Old Tom: No one knows.', 'It always has.'], self::captions($both));
        // A voice without a pause where the other begins: not in the middle of a sentence for that.
        $close = self::edited($both, ['do' => 'set voice', 'slide' => 's0', 'voice' => [
            ['asset' => 'asks', 'from' => 40_000, 'to' => 180_000], ['asset' => 'tells', 'from' => 40_000, 'to' => 200_000],
        ]]);
        self::assertSame(['Mara: Why? Why does it turn?', 'Old Tom: No one knows.', 'It always has.'], self::captions($close));
        // Both in one voice: nobody is named again.
        self::assertCount(1, array_filter(self::captions(self::edited($both, self::speaker('tells', 'Mara'))), static fn(string $text): bool => str_contains($text, ':')));
    }

    /** @return array<string, mixed> */
    private static function speaker(string $asset, string $name): array
    {
        return ['do' => 'set take', 'asset' => $asset, 'changes' => ['speaker' => $name]];
    }

    /** @return list<string> */
    private static function captions(Story $story): array
    {
        $timed = Pacing::of($story)[0];

        return array_map(static fn(Cue $cue): string => str_replace("\n", ' ', $cue->text), (new CueMaker())->of($timed, $story));
    }
}
