<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Picture\Part;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Picture\ColourTables;
use Rhapsode\Core\Picture\Look;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Tone;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Style;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\FilmMaker;
use Rhapsode\Studio\Prepare\ClipPreparer;
use Rhapsode\Studio\Prepare\PreparedClip;
use Rhapsode\Studio\Render\ClipFilters;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\Unreadable;
use Rhapsode\Studio\Words\FontWidths;

/** Clips of every kind people have, and the film that shows them: a number burned into each frame tells which it is. */
final class ClipTest extends TestCase
{
    private Scratch $scratch;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
    }

    private function prepared(string $file): PreparedClip
    {
        $folder = $this->scratch->path('made-' . $file);
        mkdir($folder);

        return (new ClipPreparer())->prepare($this->scratch->path($file), $folder, null, true);
    }

    private function made(string $file, string $of): string
    {
        return $this->scratch->path("made-{$file}/{$of}");
    }

    /** @return iterable<string, array{string, list<string>}> the file, and how it is coded */
    public static function kinds(): iterable
    {
        yield 'H.264 in MP4' => ['a.mp4', ['-c:v', 'libx264', '-preset', 'ultrafast', '-c:a', 'aac']];
        yield 'HEVC in MOV' => [
            'a.mov',
            ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=none', '-tag:v', 'hvc1', '-c:a', 'aac'],
        ];
        yield 'VP9 in WebM' => ['a.webm', ['-c:v', 'libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '8', '-c:a', 'libopus']];
        yield 'AV1 in Matroska' => [
            'a.mkv',
            ['-c:v', 'libsvtav1', '-preset', '12', '-svtav1-params', 'enable-stat-report=0', '-c:a', 'libopus'],
        ];
        yield 'MPEG-4 in AVI' => ['a.avi', ['-c:v', 'mpeg4', '-q:v', '2', '-c:a', 'libmp3lame']];
    }

    /** @param list<string> $coder */
    #[DataProvider('kinds')]
    #[Group('deep')]
    public function testEveryKindIsReadAndEachFrameStaysWhereItWas(string $file, array $coder): void
    {
        Clips::counted($this->scratch->path($file), 2.0, $coder);
        $made = $this->prepared($file);

        self::assertEqualsWithDelta(60, $made->clip->frames, 2);
        self::assertNotNull($made->clip->loudness);
        self::assertSame([640, 360], [$made->poster->width, $made->poster->height]);
        $seen = Clips::numbers($this->made($file, PreparedClip::FULL));
        // An AVI begins with an empty chunk as ffmpeg writes it: what follows is one later, by its own times.
        $later = str_ends_with($file, '.avi') ? 1 : 0;
        self::assertSame(range(1, 59 - $later), \array_slice($seen, 1 + $later, 59 - $later), 'frame n is frame n');
        self::assertSame(0, $seen[0]);
        self::assertSame(\array_slice($seen, 0, 60), \array_slice(Clips::numbers($this->made($file, PreparedClip::LIGHT)), 0, 60));
        self::assertSame([], array_diff(
            [PreparedClip::FULL, PreparedClip::LIGHT, PreparedClip::STRIP, $made->original],
            scandir(\dirname($this->made($file, PreparedClip::FULL))) ?: [],
        ));
    }

    /** @return iterable<string, array{float}> */
    public static function rates(): iterable
    {
        yield 'a film’s' => [24.0];
        yield 'television’s' => [59.94];
        yield 'slow motion’s' => [240.0];
    }

    #[DataProvider('rates')]
    #[Group('deep')]
    public function testWhateverItsRateAFrameIsSeenAtItsTime(float $rate): void
    {
        Clips::counted($this->scratch->path('a.mp4'), 2.0, ['-c:v', 'libx264', '-preset', 'ultrafast', '-an'], (string) $rate);
        $made = $this->prepared('a.mp4');

        self::assertEqualsWithDelta(60, $made->clip->frames, 1);
        self::assertNull($made->clip->loudness);
        foreach (Clips::numbers($this->made('a.mp4', PreparedClip::FULL)) as $frame => $number) {
            self::assertEqualsWithDelta($frame, $number, 1.0, "frame {$frame}");
        }
    }

    public function testAVariableRateAndATurnedPhoneAreRead(): void
    {
        Clips::counted($this->scratch->path('even.mp4'), 2.0, ['-c:v', 'libx264', '-preset', 'ultrafast', '-an'], '60');
        Tool::ffmpeg([
            '-v', 'error', '-i', $this->scratch->path('even.mp4'), '-vf',
            "select='not(eq(mod(n\\,7)\\,3))*not(eq(mod(n\\,11)\\,5))'", '-vsync', 'vfr', '-c:v', 'libx264', '-preset',
            'ultrafast', $this->scratch->path('odd.mp4'),
        ]);
        Tool::ffmpeg([
            '-v', 'error', '-i', $this->scratch->path('odd.mp4'), '-c', 'copy', '-metadata:s:v', 'rotate=90',
            $this->scratch->path('turned.mov'),
        ]);
        $this->prepared('odd.mp4');
        $made = $this->prepared('turned.mov');

        foreach (Clips::numbers($this->made('odd.mp4', PreparedClip::FULL)) as $frame => $number) {
            self::assertEqualsWithDelta($frame, $number, 1.0, "frame {$frame}");
        }
        self::assertSame([360, 640], [$made->poster->width, $made->poster->height]);
    }

    /**
     * A patch of 203 cd/m² is reference white (ITU-R BT.2408), in both transfers of ITU-R BT.2100: in the clip it is as white as
     * paper, and a mid grey stays one.
     */
    #[DataProvider('transfers')]
    #[Group('deep')]
    public function testHighDynamicRangeIsBroughtToAScreensWhite(string $transfer): void
    {
        $to = "zscale=pin=709:tin=709:min=709:rin=tv:p=2020:t={$transfer}:m=2020_ncl:r=tv:npl=203,format=yuv420p10le";
        Tool::ffmpeg([
            '-v', 'error', '-f', 'lavfi', '-i', 'color=0x808080:s=320x180:r=30:d=1', '-f', 'lavfi', '-i', 'color=white:s=160x180:r=30:d=1',
            '-filter_complex', "[0][1]overlay=160:0,scale=out_color_matrix=bt709:out_range=tv,format=yuv420p,{$to}", '-c:v', 'libx265',
            '-preset', 'ultrafast', '-x265-params', "log-level=none:colorprim=bt2020:transfer={$transfer}:colormatrix=bt2020nc",
            '-tag:v', 'hvc1', $this->scratch->path('bright.mov'),
        ]);
        $this->prepared('bright.mov');
        $pixels = Media::frame($this->made('bright.mov', PreparedClip::FULL), 10, 320, 180);
        [$grey, $white] = [$pixels[3 * (90 * 320 + 80)], $pixels[3 * (90 * 320 + 240)]];

        self::assertEqualsWithDelta(128, $grey, 24, 'neither washed out nor dark');
        self::assertGreaterThan(205, $white);
        self::assertSame('bt709', Media::probe($this->made('bright.mov', PreparedClip::FULL))['streams.stream.0.color_transfer']);
    }

    /** @return iterable<string, array{string}> */
    public static function transfers(): iterable
    {
        yield 'hybrid log-gamma' => ['arib-std-b67'];
        yield 'perceptual quantiser' => ['smpte2084'];
    }

    public function testWhatAFileSaysOfWhereItWasMadeIsNotKeptAndWhoseItIsIsOffered(): void
    {
        Tool::ffmpeg([
            '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=30:d=1', '-metadata', 'title=Low water',
            '-metadata', 'artist=Ann', '-metadata', 'location=+51.5000-000.1000/', $this->scratch->path('a.mov'),
        ]);
        $made = $this->prepared('a.mov');

        self::assertSame(['Low water', 'Ann'], [$made->source->title, $made->source->author]);
        self::assertStringContainsString('51.5000', (string) file_get_contents($this->scratch->path('a.mov')));
        foreach ([PreparedClip::FULL, PreparedClip::LIGHT, $made->original] as $file) {
            self::assertStringNotContainsString('51.5000', (string) file_get_contents($this->made('a.mov', $file)));
        }
    }

    /** @return iterable<string, array{string, \Closure(string): mixed}> */
    public static function bad(): iterable
    {
        $make = static fn(string ...$how): \Closure => static fn(string $to) => Tool::ffmpeg(
            ['-v', 'error', ...array_values($how), Tool::file($to)],
        );
        yield 'nothing' => ['file.empty', static fn(string $to) => file_put_contents($to, '')];
        yield 'words' => ['clip.unknown-kind', static fn(string $to) => file_put_contents($to, 'Only words.')];
        yield 'sound alone' => ['clip.no-pictures', $make('-f', 'lavfi', '-i', 'sine=d=1', '-c:a', 'aac', '-f', 'mp4')];
        yield 'a head without a body' => [
            'clip.broken',
            static fn(string $to) => file_put_contents($to, "\0\0\0\x18ftypmp42\0\0\0\0mp42isom" . str_repeat("\0", 400)),
        ];
        yield 'a coder that is unknown' => [
            'clip.unknown-codec',
            $make('-f', 'lavfi', '-i', 'testsrc2=s=160x90:d=0.2', '-c:v', 'ffv1', '-f', 'matroska'),
        ];
        yield 'too long' => [
            'clip.too-long',
            $make('-f', 'lavfi', '-i', 'color=s=32x32:r=1:d=640', '-c:v', 'libx264', '-preset', 'ultrafast', '-f', 'mp4'),
        ];
        yield 'too long, and it does not say so' => ['clip.too-long', static fn(string $to) => file_put_contents($to, Tool::ffmpeg(
            ['-v', 'error', '-f', 'lavfi', '-i', 'color=s=32x32:r=1:d=602', '-c:v', 'libvpx', '-deadline', 'realtime', '-f', 'webm', '-'],
        )[0])];
        yield 'too wide' => ['clip.too-wide', $make('-f', 'lavfi', '-i', 'color=s=9000x32:r=5:d=0.4', '-c:v', 'mjpeg', '-f', 'matroska')];
    }

    #[DataProvider('bad')]
    public function testWhatCannotBeReadIsRefusedInOneSentence(string $code, \Closure $make): void
    {
        $make($this->scratch->path('bad'));
        try {
            $this->prepared('bad');
            self::fail('It was read.');
        } catch (Unreadable $problem) {
            self::assertSame($code, $problem->said->code);
        }
    }

    /** What was not copied whole gives as much of it as there is. */
    public function testATornFileGivesWhatItHas(): void
    {
        Clips::counted($this->scratch->path('whole.mkv'), 3.0, ['-c:v', 'libx264', '-preset', 'ultrafast', '-an']);
        $bytes = (string) file_get_contents($this->scratch->path('whole.mkv'));
        file_put_contents($this->scratch->path('torn.mkv'), substr($bytes, 0, intdiv(\strlen($bytes), 2)));
        $made = $this->prepared('torn.mkv');

        self::assertGreaterThan(15, $made->clip->frames);
        self::assertLessThan(80, $made->clip->frames);
    }

    private function film(Story $story, FolderRenditions $renditions): Plan
    {
        $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story);
        (new FilmMaker(
            $renditions,
            $this->scratch->path('kept'),
        ))->make($plan, $this->scratch->path('film.mp4'), FilmFormat::of($story->shape, '540'));

        return $plan;
    }

    /** @param list<PictureLayer> $layers each on a slide of its own */
    private function story(FolderRenditions $renditions, array $layers): Story
    {
        mkdir($this->scratch->path('kept'));
        Clips::counted($this->scratch->path('counted.mp4'), 4.0, ['-c:v', 'libx264', '-preset', 'ultrafast', '-crf', '12', '-an']);
        $made = $renditions->addClip('c', $this->scratch->path('counted.mp4'));

        return new Story(
            'Counted',
            array_map(static fn(int $i, PictureLayer $layer): Slide => new Slide("s{$i}", layers: [$layer]), array_keys($layers), $layers),
            ['c' => new Picture('c', 'counted.mp4', $made->poster->width, $made->poster->height, clip: $made->clip)],
            style: new Style(new Transition(TransitionKind::Cut, 0)),
            credits: false,
        );
    }

    public function testInTheFilmEachFrameIsTheOneThatThePlanTells(): void
    {
        $renditions = new FolderRenditions($this->scratch->path('renditions'));
        $plan = $this->film($this->story($renditions, [
            new PictureLayer('picture', 'c', part: new Part(17, 103)),
            new PictureLayer('picture', 'c', new Recipe(tone: new Tone(light: 20, look: Look::Tea)), part: new Part(60)),
        ]), $renditions);
        $seen = Clips::numbers($this->scratch->path('film.mp4'));

        self::assertCount($plan->frames(), $seen);
        self::assertSame(86 + 60, $plan->frames());
        $read = 0;
        foreach ($plan->scenes as $scene) {
            $clip = $scene->picture()?->clip;
            self::assertNotNull($clip);
            for ($frame = $scene->start; $frame < $scene->end; $frame += 7, ++$read) {
                self::assertSame($clip->frame($frame - $scene->start), $seen[$frame], "frame {$frame}");
            }
        }
        self::assertGreaterThan(20, $read);
    }

    public function testWhatIsShorterHoldsItsLastFrame(): void
    {
        $renditions = new FolderRenditions($this->scratch->path('renditions'));
        $story = $this->story($renditions, [new PictureLayer('picture', 'c', part: new Part(90, 105))]);
        $this->film($story->with(slides: [$story->slides[0]->with(stay: 2.0)]), $renditions);

        self::assertSame([...range(90, 104), ...array_fill(0, 45, 104)], Clips::numbers($this->scratch->path('film.mp4')));
    }

    /** Light and colours of a clip are those of a picture: at most 2 levels of 255 away at the 99th percentile, coding apart. */
    #[Group('deep')]
    public function testARecipeDoesToAClipWhatItDoesToAPicture(): void
    {
        $tone = new Tone(light: 30, contrast: 20, warmth: -25, colour: 30, look: Look::Album);
        $scratch = new Scratch();
        $filters = implode(',', ClipFilters::of(new Recipe(tone: $tone), null, $scratch));
        // Every colour in steps of 17, as flat patches: what is lost between patches is lost by video, not by the recipe.
        $tables = ColourTables::of($tone);
        $away = [];
        foreach ([
            [200, 40, 60], [20, 90, 180], [128, 128, 128], [250, 250, 240], [8, 6, 4], [90, 160, 40], [240, 200, 20],
            [60, 30, 120],
        ] as [$r, $g, $b]) {
            [$raw] = Tool::ffmpeg([
                '-v', 'error', '-f', 'lavfi', '-i', \sprintf(
                    'color=0x%02x%02x%02x:s=64x64:r=1:d=1,format=gbrp,scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,format=yuv444p',
                    $r,
                    $g,
                    $b,
                ),
                '-vf', $filters . ',scale=in_color_matrix=bt709:in_range=tv:out_range=pc:flags=accurate_rnd+full_chroma_int,format=rgb24', '-frames:v', '1', '-f', 'rawvideo', '-',
            ]);
            foreach ($tables->exact($r, $g, $b) as $channel => $value) {
                $away[] = abs(\ord($raw[3 * (32 * 64 + 32) + $channel]) - $value);
            }
        }
        sort($away);

        self::assertLessThanOrEqual(3, $away[\count($away) - 1], 'of video’s 219 levels one is already more than one of 255');
        self::assertLessThan(1.6, array_sum($away) / \count($away));
    }

    /** Turned, cropped and shown whole, it lies exactly where the picture that stands for it would lie. */
    #[Group('deep')]
    public function testItLiesWhereItsPictureLies(): void
    {
        $renditions = new FolderRenditions($this->scratch->path('renditions'));
        $crop = new Frame(0.1, 0.2, 0.6, 0.5);
        $layers = [
            new PictureLayer('picture', 'c', new Recipe(turn: 90), Fit::Whole),
            new PictureLayer('picture', 'c', new Recipe(straighten: 6.0, crop: $crop), Fit::Fill, new Framing(Motion::Still)),
        ];
        $story = $this->story($renditions, $layers);
        // The very same story, of the frame in the middle as a picture.
        $still = $story->with(assets: ['c' => new Picture('c', 'counted.mp4', 640, 360)]);
        $middle = intdiv($renditions->addClip('c', $this->scratch->path('counted.mp4'))->clip->frames, 2);
        $moving = $story->with(slides: array_map(
            static fn(Slide $slide): Slide => $slide->withLayer(
                ($slide->picture() ?? throw new \LogicException())->with(part: new Part($middle, $middle + 15)),
            ),
            $story->slides,
        ));
        $still = $still->with(slides: array_map(static fn(Slide $slide): Slide => $slide->with(stay: 0.5), $still->slides));
        $this->film($still, $renditions);
        rename($this->scratch->path('film.mp4'), $this->scratch->path('still.mp4'));
        $this->film($moving, $renditions);
        foreach ([0, 15] as $frame) {
            [$one, $other] = [
                Media::frame($this->scratch->path('still.mp4'), $frame, 320, 180),
                Media::frame($this->scratch->path('film.mp4'), $frame, 320, 180),
            ];
            $away = array_map(static fn(int $a, int $b): int => abs($a - $b), $one, $other);
            self::assertLessThan(3.0, array_sum($away) / \count($away), "frame {$frame}");
        }
    }

    public function testAFolderMayHoldClips(): void
    {
        mkdir($this->scratch->path('story'));
        Media::picture($this->scratch->path('story/03-shore.jpg'));
        Clips::counted($this->scratch->path('story/04-waves.mp4'), 1.0, ['-c:v', 'libx264', '-preset', 'ultrafast', '-c:a', 'aac']);
        Media::speech($this->scratch->path('story/04-waves.wav'), 'Here they come.');
        // Sound in the same container, of a picture's stem and of none.
        Media::sound($this->scratch->path('story/03-shore.mp4'), 'sine=300', 1, ['-c:a', 'aac', '-f', 'mp4']);
        Media::sound($this->scratch->path('story/bed.m4a'), 'sine=200', 3, ['-c:a', 'aac', '-f', 'mp4']);
        // Films that were made of it are no part of it.
        copy($this->scratch->path('story/04-waves.mp4'), $this->scratch->path('story/film.mp4'));
        copy($this->scratch->path('story/04-waves.mp4'), $made = $this->scratch->path('story/05-made.mp4'));
        $story = (new StoryFolder($this->scratch->path('story'), new FolderRenditions($this->scratch->path('renditions')), $made))->read();

        self::assertCount(2, $story->slides);
        [$shore, $waves] = $story->slides;
        self::assertNull($story->clipOf($shore));
        self::assertSame('03-shore.mp4', $story->voiceOf($shore)?->file);
        self::assertInstanceOf(Clip::class, $story->clipOf($waves));
        self::assertSame('04-waves.wav', $story->voiceOf($waves)?->file);
        self::assertSame('bed', $story->beds[0]->asset);
        // As written in a story.json it is the same.
        file_put_contents($this->scratch->path('story/story.json'), $story->toJson());
        $again = (new StoryFolder($this->scratch->path('story'), new FolderRenditions($this->scratch->path('renditions'))))->read();
        self::assertEquals($story, $again);
        self::assertSame(Shape::Wide, $again->shape);
    }
}
