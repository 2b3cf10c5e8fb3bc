<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** What the engine gives in every shape, size and kind of file, by whatever number of workers, and when the disk is full. */
final class EngineTest extends TestCase
{
    private static Scratch $scratch;
    private static string $folder;

    public static function setUpBeforeClass(): void
    {
        self::$scratch = new Scratch();
        self::$folder = self::$scratch->path('story');
        mkdir(self::$folder);
        Media::picture(self::$folder . '/1.jpg');
        Media::picture(self::$folder . '/2.jpg', 'gradient:#e0c0a0-#100000', 900, 1600);
        Media::speech(self::$folder . '/1.wav', 'The tide comes in.');
        file_put_contents(self::$folder . '/1.txt', 'The tide comes in.');
        file_put_contents(self::$folder . '/2.caption.txt', 'A caption that is long enough to need two lines at least in an upright film.');
        file_put_contents(self::$folder . '/title.txt', 'Shapes');
    }

    /** @param list<string> $arguments */
    private static function rhapsode(array $arguments, string $cache = 'cache'): string
    {
        [$out] = Tool::run(
            ['env', 'XDG_CACHE_HOME=' . self::$scratch->path($cache), \dirname(__DIR__, 2) . '/bin/rhapsode', ...$arguments],
            300,
            20_000,
        );

        return $out;
    }

    /** The MD5 of the video stream's packets, as they lie in the film. */
    private static function pictures(string $film): string
    {
        return Tool::ffmpeg(['-v', 'error', '-i', $film, '-map', '0:v', '-c', 'copy', '-f', 'md5', '-'])[0];
    }

    public function testOneWorkerAndFourGiveTheSameBytes(): void
    {
        self::rhapsode(['film', self::$folder, self::$scratch->path('one.mp4'), '--size', '540', '--workers', '1'], 'one');
        self::rhapsode(['film', self::$folder, self::$scratch->path('four.mp4'), '--size', '540', '--workers', '4'], 'four');

        self::assertSame(self::pictures(self::$scratch->path('one.mp4')), self::pictures(self::$scratch->path('four.mp4')));
        self::assertFileEquals(self::$scratch->path('one.mp4'), self::$scratch->path('four.mp4'));
    }

    /** @return iterable<string, array{string, string, int, int}> */
    public static function shapes(): iterable
    {
        foreach (['16:9' => [640, 360], '4:3' => [480, 360], '1:1' => [360, 360], '9:16' => [360, 640]] as $shape => [$width, $height]) {
            yield "{$shape}, small" => [$shape, 'small', $width, $height];
        }
        yield '16:9, 540' => ['16:9', '540', 960, 540];
        yield '16:9, 1080' => ['16:9', '1080', 1920, 1080];
        yield '9:16, 720' => ['9:16', '720', 720, 1280];
    }

    #[DataProvider('shapes')]
    #[Group('deep')]
    public function testEveryShapeAndSizeIsMadeWithAllItsWords(string $shape, string $size, int $width, int $height): void
    {
        $film = self::$scratch->path('shape.mp4');
        self::rhapsode(['film', self::$folder, $film, '--shape', $shape, '--size', $size]);
        $plan = json_decode(self::rhapsode(['plan', self::$folder, '--shape', $shape]), true, 16, \JSON_THROW_ON_ERROR);
        \assert(\is_array($plan));
        $frames = $plan['frames'];
        self::assertIsInt($frames);
        $probe = Media::probe($film);

        self::assertSame([(string) $width, (string) $height], [$probe['streams.stream.0.width'], $probe['streams.stream.0.height']]);
        self::assertSame((string) $frames, $probe['streams.stream.0.nb_read_frames']);
        // The caption's light words: they are there, and none of them within 5 % of an edge (EBU R 95).
        $pixels = Media::rawFrame($film, $frames - 30, $width, $height);
        [$left, $top, $right, $bottom, $count] = [$width, $height, 0, 0, 0];
        for ($y = intdiv($height, 2); $y < $height; ++$y) {
            for ($x = 0; $x < $width; ++$x) {
                $at = 3 * ($y * $width + $x);
                if (min(\ord($pixels[$at]), \ord($pixels[$at + 1]), \ord($pixels[$at + 2])) > 235) {
                    [$left, $top, $right, $bottom, $count] = [min($left, $x), min($top, $y), max($right, $x), max($bottom, $y), $count + 1];
                }
            }
        }
        self::assertGreaterThan(0.002 * $width * $height, $count);
        self::assertGreaterThanOrEqual(0.05 * $width - 1, $left);
        self::assertLessThanOrEqual(0.95 * $width + 1, $right);
        self::assertLessThanOrEqual(0.95 * $height + 1, $bottom);
    }

    public function testWebmHoldsFreeFormatsWithCaptionsAndChapters(): void
    {
        $film = self::$scratch->path('free.webm');
        self::rhapsode(['film', self::$folder, $film, '--size', 'small', '--language', 'de']);
        $probe = Media::probe($film);

        self::assertSame(
            ['vp9', 'opus', 'webvtt'],
            array_map(static fn(int $i): string => $probe["streams.stream.{$i}.codec_name"], [0, 1, 2]),
        );
        self::assertSame(['deu', 'deu'], [$probe['streams.stream.1.tags.language'], $probe['streams.stream.2.tags.language']], 'ISO 639-2');
        self::assertSame('Shapes', $probe['format.tags.title']);
        self::assertArrayHasKey('chapters.chapter.2.start_time', $probe);
        $plan = json_decode(self::rhapsode(['plan', self::$folder]), true, 16, \JSON_THROW_ON_ERROR);
        \assert(\is_array($plan) && \is_int($plan['frames']));
        self::assertSame((string) $plan['frames'], $probe['streams.stream.0.nb_read_frames']);
    }

    /** ISO 639-2 in MP4 too; the small film is for slow networks. */
    public function testTheSmallFilmIsSmallAndTellsItsLanguage(): void
    {
        self::rhapsode(['film', self::$folder, self::$scratch->path('small.mp4'), '--size', 'small', '--language', 'pt-BR']);
        self::rhapsode(['film', self::$folder, self::$scratch->path('usual.mp4'), '--size', '720']);

        self::assertSame('por', Media::probe(self::$scratch->path('small.mp4'))['streams.stream.1.tags.language']);
        self::assertLessThan(0.5 * (int) filesize(self::$scratch->path('usual.mp4')), (int) filesize(self::$scratch->path('small.mp4')));
    }

    public function testUnknownShapesSizesAndKindsAreSaid(): void
    {
        foreach ([['--shape', '3:1'], ['--size', '999'], ['--workers', '0'], ['--language', '!']] as $wrong) {
            try {
                self::rhapsode(['film', self::$folder, self::$scratch->path('x.mp4'), ...$wrong]);
                self::fail('it takes ' . implode(' ', $wrong));
            } catch (ToolFailed $problem) {
                self::assertStringContainsString(
                    'ended with 2: The ' . substr($wrong[0], 2, 4),
                    str_replace('number of ', '', $problem->getMessage()),
                );
            }
        }
    }

    /** A limit on the size of files stands in for a full disk: writing fails in the middle of a segment. */
    public function testAFullDiskIsSaidAndLeavesNothingHalfMade(): void
    {
        $film = self::$scratch->path('full.mp4');
        try {
            Tool::run([
                'env', 'XDG_CACHE_HOME=' . self::$scratch->path('full'), 'prlimit', '--fsize=60000', 'bash', '-c',
                'trap "" XFSZ; exec "$0" "$@"', \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', self::$folder, $film,
                '--size', '720',
            ], 120, 20_000);
            self::fail('it cannot be written');
        } catch (ToolFailed $problem) {
            self::assertStringContainsString('ended with 2', $problem->getMessage());
        }
        self::assertFileDoesNotExist($film);
        self::assertSame([], glob(self::$scratch->path('full/rhapsode/segments/*.part')) ?: [], 'nothing half-made is left');

        self::rhapsode(['film', self::$folder, $film, '--size', '720'], 'full');
        self::rhapsode(['film', self::$folder, self::$scratch->path('roomy.mp4'), '--size', '720'], 'roomy');
        self::assertSame(
            self::pictures(self::$scratch->path('roomy.mp4')),
            self::pictures($film),
            'and with room it is the very same film',
        );
    }

    /** @return iterable<string, array{string}> */
    public static function transitions(): iterable
    {
        foreach (['cut', 'crossfade', 'through-dark', 'through-light', 'sweep', 'rise'] as $kind) {
            yield $kind => [$kind];
        }
    }

    /** Black gives way to white: every pixel of the transition is as light as PlannedTransition tells. */
    #[DataProvider('transitions')]
    #[Group('deep')]
    public function testTransitionsAreWhatThePlanTells(string $kind): void
    {
        $folder = self::$scratch->path('transition-' . $kind);
        mkdir($folder);
        $slides = [];
        foreach (['#000000', '#ffffff'] as $i => $colour) {
            Media::picture("{$folder}/{$i}.jpg", 'xc:' . $colour, 1280, 720);
            $slides[] = [
                'id' => "s{$i}",
                'picture' => "p{$i}",
                'motion' => 'still',
                'stay' => 3,
                'join' => ['kind' => $kind, 'seconds' => 1],
            ];
        }
        $picture = static fn(int $i): array => ['file' => "{$i}.jpg", 'width' => 1280, 'height' => 720];
        file_put_contents($folder . '/story.json', json_encode(
            ['version' => 1, 'title' => 'Join', 'slides' => $slides, 'pictures' => ['p0' => $picture(0), 'p1' => $picture(1)]],
            \JSON_THROW_ON_ERROR,
        ));
        self::rhapsode(['film', $folder, "{$folder}/film.mp4", '--size', 'small']);
        foreach ([6, 15, 24] as $n) {
            $pixels = Media::frame("{$folder}/film.mp4", 90 + $n, 640, 360);
            foreach ([[100, 60], [320, 180], [540, 300]] as [$x, $y]) {
                $expected = self::expected($kind, $n / 30, $x / 640, $y / 360);
                self::assertEqualsWithDelta($expected, $pixels[3 * ($y * 640 + $x)], 7, "frame {$n} at {$x}, {$y}");
            }
        }
    }

    /** A white tick over black comes after a second and goes after three: it is as light as the plan's envelope tells, alone and in a transition. */
    #[Group('deep')]
    public function testALayerComesAndGoesAsThePlanTells(): void
    {
        mkdir($folder = self::$scratch->path('comes-and-goes'));
        Media::picture("{$folder}/black.jpg", 'xc:#000000', 1280, 720);
        $layer = ['id' => 'picture', 'kind' => 'picture', 'asset' => 'p', 'framing' => ['motion' => 'still']];
        $mark = [
            'id' => 'mark',
            'kind' => 'icon',
            'name' => 'arrow',
            'colour' => 'white',
            'place' => 'middle',
            'size' => 0.8,
            'comes' => 1,
            'goes' => 3,
        ];
        file_put_contents($folder . '/story.json', json_encode(['version' => 2, 'title' => 'Marks', 'assets' => [
            'p' => ['kind' => 'picture', 'file' => 'black.jpg', 'width' => 1280, 'height' => 720],
        ], 'slides' => [
            [
                'id' => 'a',
                'layers' => [$layer, $mark],
                'stay' => 4,
            ], ['id' => 'b', 'layers' => [$layer, ['comes' => null, 'goes' => 0.6] + $mark], 'stay' => 3],
        ]], \JSON_THROW_ON_ERROR));
        self::rhapsode(['film', $folder, "{$folder}/film.mp4", '--size', 'small']);
        // By hand: up over 12 frames from 30 on, down over 12 until 90; the second scene comes in over 30 frames from 120 on.
        foreach ([
            0 => 0.0,
            20 => 0.0,
            36 => 0.5,
            60 => 1.0,
            84 => 0.5,
            100 => 0.0,
            123 => 0.1,
            132 => 0.2,
            145 => 0.0,
        ] as $frame => $seen) {
            $pixels = Media::frame("{$folder}/film.mp4", $frame, 640, 360);
            self::assertEqualsWithDelta(255 * $seen, $pixels[3 * (180 * 640 + 320)], 9, "in the middle of frame {$frame}");
            self::assertEqualsWithDelta(0, $pixels[3 * (40 * 640 + 40)], 6, 'and nothing beside it');
        }
    }

    /** The red component of a pixel, 0 to 255. */
    private static function expected(string $kind, float $p, float $x, float $y): float
    {
        $clamp = static fn(float $w): float => max(0.0, min(1.0, $w));
        $through = static fn(int $colour): float => $p < 0.5 ? 2 * $p * $colour : $colour + (2 * $p - 1) * (255 - $colour);

        return match ($kind) {
            'cut' => 255.0,
            'crossfade' => 255 * $p,
            'through-dark' => $through(0x20),
            'through-light' => $through(0xFB),
            'sweep' => 255 * $clamp(($p * 1.35 - $x) / 0.35),
            default => 255 * $clamp(($p * 1.35 - (1 - $y)) / 0.35),
        };
    }

    /** Preparing 40 megapixels and making a frame of them stays within the memory that one process may have. */
    #[Group('deep')]
    public function testLargePicturesNeedLittleMemory(): void
    {
        $path = self::$scratch->path('large.jpg');
        Tool::ffmpeg(
            ['-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=7744x5164', '-frames:v', '1', '-q:v', '3', '-f', 'image2', $path],
            120,
        );
        mkdir(self::$scratch->path('large'));
        [, $said] = Tool::run(
            ['/usr/bin/time', '-f', '%M', \dirname(__DIR__, 2) . '/bin/rhapsode', 'prepare', $path, self::$scratch->path('large')],
            120,
            20_000,
        );

        self::assertFileExists(self::$scratch->path('large/full.jpg'));
        self::assertLessThan(400_000, (int) trim($said), 'kilobytes at most at once (GNU time)');

        // One process makes the film, so that what is measured is what preparing and drawing it take together.
        mkdir($folder = self::$scratch->path('large-story'));
        rename($path, "{$folder}/1.jpg");
        [, $said] = Tool::run([
            '/usr/bin/time', '-f', '%M', 'env', 'XDG_CACHE_HOME=' . self::$scratch->path('large-cache'),
            \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, "{$folder}/film.mp4", '--size', '1080',
            '--workers', '1',
        ], 240, 20_000);
        self::assertSame('1920', Media::probe("{$folder}/film.mp4")['streams.stream.0.width']);
        $lines = explode("\n", trim($said));
        self::assertLessThan(400_000, (int) end($lines), 'kilobytes at most at once, of the largest process');
    }
}
