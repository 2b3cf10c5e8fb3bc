<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Captions\CueMaker;
use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Studio\Messages\IcuCatalogue;

final class CaptionsTest extends TestCase
{
    /** @return list<Cue> */
    private static function cues(string $script, float $voice, string $language = 'en'): array
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan(Stories::of([[], ['voice' => $voice, 'script' => $script]])->with(language: $language))->cues;
    }

    /** @return iterable<string, array{string, float, string}> */
    public static function scripts(): iterable
    {
        yield 'one sentence' => ['The tide comes in.', 2.0, 'en'];
        yield 'several' => ['The tide comes in. It pushes the gates open, fills the pond, and turns. Then the water pushes them shut again, all by itself, because it wants to go home.', 11.0, 'en'];
        yield 'slow' => ['One. Two. Three.', 30.0, 'en'];
        yield 'fast' => [str_repeat('Words upon words upon words. ', 20), 20.0, 'en'];
        yield 'no stops' => [str_repeat('and then ', 60), 30.0, 'en'];
        yield 'chinese' => ['每天潮水都会来两次。磨坊的主人打开闸门，水就流进池塘，然后轮子开始转动，石磨把谷物磨成面粉。', 9.0, 'zh'];
        yield 'arabic' => ['يأتي المد مرتين كل يوم. يفتح الطحان البوابات، ثم تدور العجلة ويبدأ الطحن حتى يفرغ الحوض.', 9.0, 'ar'];
    }

    #[DataProvider('scripts')]
    public function testCuesLieWithinTheVoiceOneAfterAnotherAndSayItAll(string $script, float $voice, string $language): void
    {
        $cues = self::cues($script, $voice, $language);
        self::assertNotEmpty($cues);
        // The slide before, the transition, half a second; and the margin that trimming leaves before a voice.
        $at = 4000 + 1000 + 500 + 80;
        self::assertSame($at, $cues[0]->start);
        $end = 6000 + (int) ceil($voice * 1000);
        foreach ($cues as $i => $cue) {
            self::assertGreaterThanOrEqual($at, $cue->start);
            self::assertGreaterThan($cue->start, $cue->end);
            $at = $cue->end;
            self::assertLessThanOrEqual(2, substr_count($cue->text, "\n") + 1);
            foreach (explode("\n", $cue->text) as $line) {
                self::assertLessThanOrEqual(42, mb_strlen($line), 'common practice in subtitling');
            }
            self::assertLessThanOrEqual(7000, $cue->end - $cue->start);
            // No faster than 17 characters a second, and no shorter than a second, where what follows leaves room.
            $room = min(7000, ($cues[$i + 1]->start ?? $end) - $cue->start);
            self::assertGreaterThanOrEqual(min($room, 1000, max(1, $room)), $cue->end - $cue->start);
            self::assertGreaterThanOrEqual(min($room, (int) floor(1000 * mb_strlen($cue->text) / 17)), $cue->end - $cue->start);
        }
        self::assertLessThanOrEqual(6000 + (int) ceil($voice * 1000) + 34, $at, 'no cue outlasts its slide');
        $bare = static fn(string $text): string => (string) preg_replace('/\s+/u', '', $text);
        self::assertSame($bare($script), $bare(implode('', array_map(static fn(Cue $c): string => $c->text, $cues))));
    }

    public function testASlideWithoutVoiceHasNoCues(): void
    {
        $story = Stories::of([['script' => 'Not spoken yet.']]);
        self::assertSame([], (new CueMaker())->of(Pacing::of($story)[0], $story));
    }

    /** The classic fault: words upon words. */
    public function testCuesKeepClearOfTheCaptionOnThePicture(): void
    {
        foreach (['bottom' => true, 'middle' => false, 'top' => false] as $place => $high) {
            [$cue] = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan(Stories::of([['voice' => 3.0, 'script' => 'Said.', 'caption' => 'A fact', 'place' => Spot::from($place)]]))->cues;
            self::assertSame($high, $cue->high, $place);
            self::assertSame($high, str_contains(WebVtt::write([$cue]), ' line:6%'));
        }
    }

    /** One planner plans both: what it remembers of a picture's slide is not taken for a title's. */
    public function testWhatIsRememberedIsToldApart(): void
    {
        $planner = new Planner(new EvenWidths(), new IcuCatalogue());
        $high = static fn(Layout $kind): bool => $planner->plan(Stories::of([['voice' => 3.0, 'script' => 'Said.', 'layout' => $kind, 'caption' => 'A fact']]))->cues[0]->high;

        self::assertTrue($high(Layout::Full));
        self::assertFalse($high(Layout::Title));
    }

    /** W3C WebVTT, section 4.1: a timestamp has at least two digits of hours, and three of milliseconds; text is escaped. */
    public function testWebVttIsWrittenAsW3cSays(): void
    {
        $vtt = WebVtt::write([new Cue(61_005, 3_661_999, "Salt & <b>water</b> -->\n\n\nagain", 's')], 'en');

        self::assertSame("WEBVTT\nLanguage: en\n\n00:01:01.005 --> 01:01:01.999\nSalt &amp; &lt;b&gt;water&lt;/b&gt; --&gt;\nagain\n", $vtt);
    }
}
