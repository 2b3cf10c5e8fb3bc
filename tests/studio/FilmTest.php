<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Film\PlayProblem;
use Rhapsode\Studio\Mux\FilmReader;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** The whole engine through its command line, on a folder of what people have lying about. */
final class FilmTest extends TestCase
{
    private const CAPTION = "It's 100 % %{x} %d: a \\ \"quote\" <b> & so\non";
    private static Scratch $scratch;
    private static string $folder;
    private static string $film;
    /** @var array{frames: int, width: int, height: int, fps: int, scenes: list<array<string, mixed>>, plays: list<array{asset: string, bus: string, slide: string|null, start: float, end: float}>, cues: list<array{start: float, end: float, text: string}>} */
    private static array $plan;

    public static function setUpBeforeClass(): void
    {
        self::$scratch = new Scratch();
        self::$folder = self::$scratch->path("a 'folder' %d");
        mkdir(self::$folder);
        $in = static fn(string $name): string => self::$folder . '/' . $name;
        Media::picture($in('1 first.jpg'));
        Media::picture($in('2-mill %d.png'), 'gradient:#ffffff-#dddddd');
        Media::picture($in('10 "quoted" 🌊.jpg'), 'gradient:#802010-#100000', 900, 1600);
        Media::picture($in('-11 dash.jpg'), 'gradient:#001020-#205010');
        rename($in('-11 dash.jpg'), $in('11 - dash.jpg'));
        Media::picture($in('-dash.jpg'), 'gradient:#000000-#ffffff');
        Media::speech($in('1 first.wav'), 'The tide comes in, and fills the pond behind the mill.', -9);
        Media::speech($in('2-mill %d.wav'), 'Then the water turns the wheel.', -3);
        Media::speech($in('11 - dash.wav'), 'At low water the mill rests until the next tide.', 4);
        file_put_contents($in('1 first.txt'), 'The tide comes in, and fills the pond behind the mill.');
        file_put_contents($in('2-mill %d.txt'), 'Then the water turns the wheel.');
        file_put_contents($in('2-mill %d.caption.txt'), self::CAPTION);
        file_put_contents($in('1 first.caption.txt'), 'مرحبا हिन्दी 中文 🌊');
        file_put_contents($in('title.txt'), "The Mill; 50 % \\ = more #1\n");
        file_put_contents(
            $in('sources.csv'),
            "file,title,author,source,licence\n\"1 first.jpg\",\"A, \"\"quoted\"\" title\",Ann,https://example.org/a,CC BY 4.0\n",
        );
        self::$film = self::$scratch->path('a film.mp4');
        [$json] = self::rhapsode('plan', self::$folder);
        /** @var array{frames: int, width: int, height: int, fps: int, scenes: list<array<string, mixed>>, plays: list<array{asset: string, bus: string, slide: string|null, start: float, end: float}>, cues: list<array{start: float, end: float, text: string}>} $plan */
        $plan = json_decode($json, true, 16, \JSON_THROW_ON_ERROR);
        self::$plan = $plan;
        self::rhapsode('film', self::$folder, self::$film);
    }

    /** @return array{string, string} */
    private static function rhapsode(string ...$arguments): array
    {
        return Tool::run(
            ['env', 'XDG_CACHE_HOME=' . self::$scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', ...array_values($arguments)],
            300,
            20_000,
        );
    }

    /** @return array<string, mixed> */
    private static function slide(string $file): array
    {
        foreach (self::$plan['scenes'] as $slide) {
            if ($slide['file'] === $file) {
                return $slide;
            }
        }
        self::fail("no slide of {$file}");
    }

    public function testSlidesComeInTheNaturalOrderOfTheirNames(): void
    {
        self::assertSame(
            [null, '-dash.jpg', '1 first.jpg', '2-mill %d.png', '10 "quoted" 🌊.jpg', '11 - dash.jpg', null],
            array_map(static fn(array $s): mixed => $s['file'], self::$plan['scenes']),
        );
    }

    public function testTheFilmHasThePlansFramesAndItsSoundEndsWithItsPicture(): void
    {
        $probe = Media::probe(self::$film);

        self::assertSame((string) self::$plan['frames'], $probe['streams.stream.0.nb_read_frames']);
        self::assertSame(['h264', 'yuv420p', '1280', '720', '30/1', 'bt709'], array_map(
            static fn(string $k): string => $probe["streams.stream.0.{$k}"],
            ['codec_name', 'pix_fmt', 'width', 'height', 'avg_frame_rate', 'color_space'],
        ));
        self::assertSame('aac', $probe['streams.stream.1.codec_name']);
        self::assertEqualsWithDelta(self::$plan['frames'] / 30, (float) $probe['streams.stream.0.duration'], 0.001);
        self::assertEqualsWithDelta((float) $probe['streams.stream.0.duration'], (float) $probe['streams.stream.1.duration'], 0.05);
        // ffprobe doubles a backslash in this form of its output.
        self::assertSame('The Mill; 50 % \\\\ = more #1', $probe['format.tags.title']);
        self::assertSame('mov_text', $probe['streams.stream.2.codec_name']);
        self::assertArrayHasKey('chapters.chapter.6.start_time', $probe);
    }

    /** Read back as whoever watches it does, it is whole; cut, spoilt, without its sound or its captions it is found out. */
    public function testItIsPlayedThrough(): void
    {
        $problems = static function (string $film): array {
            $plan = self::$plan;

            return (new FilmReader())->read($film)->problems($plan['frames'], $plan['frames'] / $plan['fps'], \count($plan['cues']));
        };
        self::assertSame([], $problems(self::$film));
        $spoilt = static function (string ...$how): string {
            $to = self::$scratch->path('spoilt.mp4');
            Tool::ffmpeg(['-v', 'error', '-i', Tool::file(self::$film), ...array_values($how), '-c', 'copy', Tool::file($to)]);

            return $to;
        };
        self::assertSame([PlayProblem::Captions], $problems($spoilt('-map', '0:v', '-map', '0:a')));
        $half = (string) (self::$plan['frames'] / self::$plan['fps'] / 2);
        self::assertContains(PlayProblem::Picture, $problems($spoilt('-map', '0', '-t', $half)));
        self::assertContains(PlayProblem::Sound, $problems($spoilt('-map', '0:v', '-map', '0:s', '-map', '0:a', '-bsf:a', "noise=drop='gt(pts*tb,{$half})'")));
        // Without its end: what a full disk leaves.
        $to = self::$scratch->path('cut.mp4');
        file_put_contents($to, substr((string) file_get_contents(self::$film), 0, intdiv((int) filesize(self::$film) * 2, 3)));
        $this->expectException(ToolFailed::class);
        $problems($to);
    }

    public function testFramesFollowEachOtherWithoutAGap(): void
    {
        [$out] = Tool::run([
            'ffprobe', '-v', 'error', '-select_streams', 'v', '-show_entries', 'frame=best_effort_timestamp', '-of',
            'csv=p=0', self::$film,
        ]);
        preg_match_all('/^\d+/m', $out, $found);
        $times = array_map(intval(...), $found[0]);

        self::assertSame(range(0, (self::$plan['frames'] - 1) * 512, 512), $times);
    }

    /** ISO/IEC 14496-12: with the moov box before mdat a film begins to play before it has all arrived. */
    public function testTheFilmBeginsToPlayBeforeItHasAllArrived(): void
    {
        $head = (string) file_get_contents(self::$film, length: 200_000);

        self::assertLessThan(strpos($head, 'mdat'), strpos($head, 'moov'));
    }

    public function testEveryVoiceStartsWithinFortyMillisecondsOfThePlan(): void
    {
        $voiced = array_filter(self::$plan['plays'], static fn(array $p): bool => 'voice' === $p['bus']);
        self::assertCount(3, $voiced);
        foreach ($voiced as $voice) {
            // What was trimmed to is where the level rises in the recording: look for the same rise in the film.
            [, $said] = Tool::ffmpeg([
                '-i', Tool::file(self::$film), '-map', '0:a', '-af',
                \sprintf('atrim=%F:%F,asetpts=N/SR/TB,silencedetect=n=-45dB:d=0.05', $voice['start'] - 0.5, $voice['end']),
                '-f', 'null', '-',
            ]);
            self::assertSame(1, preg_match('/silence_end: ([\d.]+)/', $said, $end));
            // Trimming leaves a margin of 80 ms for breath before the level rises.
            self::assertEqualsWithDelta(0.5 + 0.08, (float) $end[1], 0.04, 'voice of ' . $voice['slide']);
        }
    }

    /** Target: AES TD1008; meter: ITU-R BS.1770-4 as ffmpeg's ebur128 has it; true peak: EBU R 128. */
    public function testTheSpeechIsAtOneLoudnessAndTruePeaksAreHeld(): void
    {
        $film = Media::loudness(self::$film);
        self::assertEqualsWithDelta(-16.0, $film['integrated'], 0.5);
        self::assertLessThanOrEqual(\Rhapsode\Core\Sound\Loudness::TRUE_PEAK, $film['peak']);
        foreach (self::$plan['plays'] as $play) {
            if ('voice' === $play['bus']) {
                self::assertEqualsWithDelta(-16.0, Media::loudness(self::$film, $play['start'], $play['end'])['integrated'], 1.0);
            }
        }
    }

    public function testCaptionsLieBesideTheFilm(): void
    {
        $vtt = (string) file_get_contents(self::$scratch->path('a film.vtt'));

        self::assertStringStartsWith("WEBVTT\n", $vtt);
        self::assertStringContainsString('Then the water turns the wheel.', $vtt);
        self::assertCount(substr_count($vtt, '-->'), self::$plan['cues']);
    }

    /** WCAG 2.2, 1.4.3: measured in the film itself, on a nearly white picture, where the words are dark. */
    public function testWordsStandClearOfThePictureInTheFilm(): void
    {
        $slide = self::slide('2-mill %d.png');
        self::assertIsInt($slide['start']);
        $pixels = Media::frame(self::$film, $slide['start'] + 60);
        $inPlate = [];
        for ($y = 560; $y < 660; ++$y) {
            for ($x = 400; $x < 880; ++$x) {
                $at = 3 * ($y * 1280 + $x);
                $linear = static fn(int $v): float => \Rhapsode\Core\Words\Contrast::linear($v / 255);
                $inPlate[] = 0.2126 * $linear($pixels[$at]) + 0.7152 * $linear($pixels[$at + 1]) + 0.0722 * $linear($pixels[$at + 2]);
            }
        }
        sort($inPlate);
        // The middle of what lies under the words, and the words themselves.
        $ground = $inPlate[intdiv(\count($inPlate), 2)];
        $words = max(
            \Rhapsode\Core\Words\Contrast::ratio($inPlate[\count($inPlate) - 60], $ground),
            \Rhapsode\Core\Words\Contrast::ratio($inPlate[60], $ground),
        );

        self::assertGreaterThanOrEqual(4.5, $words);
    }

    public function testMadeAgainItIsTheSameFilmAndNothingIsMadeTwice(): void
    {
        $segments = glob(self::$scratch->path('cache/rhapsode/segments/*.mp4')) ?: [];
        self::assertNotEmpty($segments);
        $made = array_map(filemtime(...), $segments);
        self::rhapsode('film', self::$folder, self::$scratch->path('again.mp4'));

        self::assertSame(hash_file('sha256', self::$film), hash_file('sha256', self::$scratch->path('again.mp4')));
        self::assertCount(\count($made), glob(self::$scratch->path('cache/rhapsode/segments/*.mp4')) ?: []);
    }

    public function testAnotherWordOnOneSlideMakesOnlyItsSegmentsAnew(): void
    {
        $before = glob(self::$scratch->path('cache/rhapsode/segments/*.mp4')) ?: [];
        file_put_contents(self::$folder . '/11 - dash.caption.txt', 'Rest');
        self::rhapsode('film', self::$folder, self::$scratch->path('mended.mp4'));
        unlink(self::$folder . '/11 - dash.caption.txt');
        $after = glob(self::$scratch->path('cache/rhapsode/segments/*.mp4')) ?: [];

        // The slide alone, and the two joins at its ends.
        self::assertCount(\count($before) + 3, $after);
    }

    /** With only the sound changed there is no frame to draw, and the film is made all the same. */
    public function testOnlyAnotherSoundIsAFilmToo(): void
    {
        $folder = self::$scratch->path('sound-only');
        mkdir($folder);
        Media::picture("{$folder}/1.jpg");
        Media::sound("{$folder}/bed.wav", 'sine=220:r=48000', 8.0);
        $made = static function () use ($folder): string {
            exec(
                'XDG_CACHE_HOME=' . escapeshellarg(self::$scratch->path('sound-cache')) . ' ' . escapeshellarg(\dirname(__DIR__, 2) . '/bin/rhapsode') . ' film ' . escapeshellarg($folder) . ' ' . escapeshellarg("{$folder}/film.mp4") . ' --size small 2>&1',
                $out,
                $status,
            );
            self::assertSame(0, $status, implode("\n", $out));
            self::assertDoesNotMatchRegularExpression('/warning|unable/i', implode("\n", $out));

            return (string) hash_file('sha256', "{$folder}/film.mp4");
        };
        $first = $made();
        unlink("{$folder}/bed.wav");
        $second = $made();
        self::assertNotSame($first, $second, 'it sounds otherwise');
        self::assertSame($second, $made(), 'nothing changed at all');
    }

    public function testProofSaysWhatMustBeMendedAndItsExitStatusTells(): void
    {
        exec(escapeshellarg(\dirname(__DIR__, 2) . '/bin/rhapsode') . ' proof ' . escapeshellarg(self::$folder), $out, $status);

        self::assertSame(1, $status);
        self::assertMatchesRegularExpression(
            '/^Must be mended: (\d+ slides do not say whose picture they show|Slide \d+ does not say).*/m',
            implode("\n", $out),
        );
        self::assertSame(\count($out), \count(array_unique($out)), 'nothing is said twice');
    }

    public function testWhatIsWrongWithAFolderIsSaidInOneSentence(): void
    {
        $bad = self::$scratch->path('bad');
        mkdir($bad);
        exec(escapeshellarg(\dirname(__DIR__, 2) . '/bin/rhapsode') . ' plan ' . escapeshellarg($bad) . ' 2>&1', $out, $status);
        self::assertSame([2, ['The folder holds no pictures.']], [$status, $out]);
        file_put_contents($bad . '/broken.jpg', "\xFF\xD8\xFF\xE0");
        exec(escapeshellarg(\dirname(__DIR__, 2) . '/bin/rhapsode') . ' plan ' . escapeshellarg($bad) . ' 2>&1', $again, $status);
        self::assertSame(2, $status);
        self::assertStringStartsWith('broken.jpg: This picture is broken', $again[0] ?? '');
    }
}
