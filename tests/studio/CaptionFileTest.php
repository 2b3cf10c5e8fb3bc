<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Captions\SubRip;
use Rhapsode\Core\Captions\Transcript;
use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\Unreadable;

/** Files of captions as people have them. */
final class CaptionFileTest extends TestCase
{
    /** @return iterable<string, array{string}> each says the same two captions */
    public static function files(): iterable
    {
        yield 'WebVTT with a header, an id, settings and a note (W3C WebVTT, 1.1 to 1.3)' => [
            "WEBVTT - made somewhere\nLanguage: en\n\nNOTE a note\nof two lines\n\nintro\n00:01.500 --> 00:03.250 line:6% align:start\nThe tide <i>comes</i> in &amp; out.\n\n00:00:04.000 --> 00:00:06.000\nTwo\nlines",
        ];
        yield 'SubRip' => [
            "1\n00:00:01,500 --> 00:00:03,250\nThe tide <i>comes</i> in & out.\n\n2\n00:00:04,000 --> 00:00:06,000\nTwo\nlines\n",
        ];
        yield 'SubRip from Windows, with a mark of its encoding' => [
            "\u{FEFF}1\r\n00:00:01,500 --> 00:00:03,250\r\nThe tide comes in & out.\r\n\r\n2\r\n00:00:04,000 --> 00:00:06,000\r\nTwo\r\nlines\r\n",
        ];
        yield 'SubRip with its numbers lost' => [
            "7\n00:00:01,500 --> 00:00:03,250\nThe tide comes in & out.\n\n3\n00:00:04,000 --> 00:00:06,000\nTwo\nlines\n",
        ];
        yield 'in UTF-16' => [mb_convert_encoding(
            "\u{FEFF}1\n00:00:01,500 --> 00:00:03,250\nThe tide comes in & out.\n\n2\n00:00:04,000 --> 00:00:06,000\nTwo\nlines\n",
            'UTF-16LE',
            'UTF-8',
        )];
    }

    #[DataProvider('files')]
    public function testCaptionsAreReadFromWhatPeopleHave(string $bytes): void
    {
        self::assertEquals(
            [new TimedCaption(1500, 3250, 'The tide comes in & out.'), new TimedCaption(4000, 6000, "Two\nlines")],
            CaptionFile::read($bytes),
        );
    }

    public function testOldWindowsLettersAreRead(): void
    {
        self::assertSame('Größe', CaptionFile::text("Gr\xF6\xDFe"));
    }

    public function testWhatHoldsNoCaptionsGetsASentence(): void
    {
        foreach (["WEBVTT\n\n", "\0\0\0\0", '1 --> nonsense', str_repeat('x', CaptionFile::MOST_BYTES + 1)] as $bytes) {
            try {
                CaptionFile::read($bytes);
                self::fail('there are none');
            } catch (Unreadable $problem) {
                self::assertStringStartsWith('captions.', $problem->said->code);
            }
        }
    }

    public function testALineThatIsFarTooLongIsRefusedBeforeItIsRead(): void
    {
        $long = str_repeat('word ', 380_000);
        foreach (["1\n00:00:01,000 --> 00:00:02,000\n{$long}\n", $long] as $bytes) {
            try {
                CaptionFile::text($bytes);
                self::fail('it is refused');
            } catch (Unreadable $problem) {
                self::assertSame('captions.line-too-long', $problem->said->code);
            }
        }
        // An hour of speech in one paragraph is read.
        self::assertSame(54_000, \strlen(CaptionFile::text(str_repeat('spoken', 9_000))));
    }

    /** What is written is read again, by our reader and by ffmpeg's. */
    public function testWhatIsWrittenIsReadAgain(): void
    {
        $cues = [new Cue(0, 1200, "Salt & <water>\nand wood", 'a'), new Cue(61_005, 3_661_999, '¿Qué? 水', 'b')];
        foreach (['webvtt' => WebVtt::write($cues), 'srt' => SubRip::write($cues)] as $kind => $written) {
            if ('webvtt' === $kind) {
                self::assertEquals(
                    array_map(static fn(Cue $c): TimedCaption => new TimedCaption($c->start, $c->end, $c->text), $cues),
                    CaptionFile::read($written),
                    $kind,
                );
            }
            $scratch = new Scratch();
            file_put_contents($scratch->path('captions'), $written);
            [$times] = Tool::run([
                'ffprobe', '-v', 'error', '-f', $kind, '-show_entries', 'packet=pts_time,duration_time', '-of',
                'csv=p=0', $scratch->path('captions'),
            ]);
            self::assertSame("0.000000,1.200000\n61.005000,3600.994000\n", $times, $kind);
        }
        self::assertSame("Salt & <water> and wood\n\n¿Qué? 水\n", Transcript::write($cues));
    }

    public function testAFileInTheFolderReplacesTheComputedCues(): void
    {
        $scratch = new Scratch();
        Media::picture($scratch->path('1.jpg'));
        Media::speech($scratch->path('1.wav'), 'The tide comes in, and fills the pond.');
        file_put_contents($scratch->path('1.txt'), 'The tide comes in, and fills the pond.');
        file_put_contents(
            $scratch->path('captions.srt'),
            "1\n00:00:00,500 --> 00:00:02,000\nMine.\n\n2\n00:10:00,000 --> 00:10:02,000\nAfter the end.\n",
        );
        [$json] = Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'plan', $scratch->folder],
            120,
            20_000,
        );
        $plan = json_decode($json, true, 16, \JSON_THROW_ON_ERROR);
        \assert(\is_array($plan) && \is_array($plan['cues']) && \is_array($plan['cues'][0]));

        self::assertCount(1, $plan['cues'], 'what lies after the end is left out');
        self::assertSame([0.5, 2, 'Mine.'], [$plan['cues'][0]['start'], $plan['cues'][0]['end'], $plan['cues'][0]['text']]);
    }
}
