<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Shared\Store;
use Rhapsode\Studio\Prepare\PreparedClip;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Tests\Studio\Clips;
use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Uid\Uuid;

/** Clips on their way into a story, and what is asked of them there. */
final class ClipTest extends AppTestCase
{
    private static function newClip(float $seconds = 1.0, bool $isSilent = false): string
    {
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.mp4';
        $sound = $isSilent ? ['-an'] : ['-c:a', 'aac'];
        Clips::counted($path, $seconds, [
            '-c:v', 'libx264', '-preset', 'ultrafast', ...$sound, '-metadata', 'artist=Ann', '-metadata',
            'comment=' . bin2hex(random_bytes(8)), '-f', 'mp4',
        ]);

        return $path;
    }

    /** @return array{string, string, string} story, slide and asset, which is ready */
    private function brought(string $path, string $kind = 'clip', string $name = 'waves.mp4'): array
    {
        $story = $this->as('sam')->story();
        $slide = (string) Uuid::v7();
        $asset = $this->bringIn($story, $path, $name, $kind, $slide);
        self::assertSame('ready', $asset['state'], json_encode($asset['problem'] ?? null, \JSON_THROW_ON_ERROR));

        return [$story, $slide, StoryTest::text($asset['id'])];
    }

    public function testAClipComesInAndIsShownHeardAndLaidOutInSmallFrames(): void
    {
        [$story, $slide, $asset] = $this->brought(self::newClip());
        $view = $this->told('GET', "/api/stories/{$story}");

        self::assertSame($slide, self::at($view, 'story', 'slides', 1, 'id'));
        self::assertSame(30, self::at($view, 'story', 'assets', $asset, 'clip', 'frames'));
        self::assertSame('Ann', self::at($view, 'story', 'assets', $asset, 'source', 'author'));
        self::assertSame(
            ['from' => 0, 'to' => 30, 'frames' => 30],
            array_intersect_key((array) self::at($view, 'plan', 'scenes', 1, 'layers', 0, 'clip'), ['from' => 0, 'to' => 0, 'frames' => 0]),
        );
        self::assertSame('clip', self::at($view, 'plan', 'plays', 0, 'bus'));
        foreach ([
            'clip.mp4' => "clips/{$asset}/light.mp4",
            'strip.jpg' => "clips/{$asset}/strip.jpg",
            'music.ogg' => "music/{$asset}/music.ogg",
            'full.jpg' => "pictures/{$asset}/full.jpg",
        ] as $name => $key) {
            self::assertSame(
                "/_store/{$key}",
                $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/{$name}")->headers->get('X-Accel-Redirect'),
                $name,
            );
        }
        self::assertSame(100, $this->entities()->find(AssetRecord::class, $asset)?->progress);
    }

    public function testWhatItIsItsBytesTellWhateverItWasSentAs(): void
    {
        [$story, , $asset] = $this->brought(self::newClip(0.5, true), 'picture', 'holiday.jpg');
        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertSame(15, self::at($view, 'story', 'assets', $asset, 'clip', 'frames'));
        self::assertNull(self::at($view, 'story', 'assets', $asset, 'clip', 'loudness'));
        self::assertSame(404, $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/music.ogg")->getStatusCode());

        [$story, , $asset] = $this->brought(self::newPicture(), 'clip', 'holiday.mp4');
        $picture = self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'assets', $asset);
        self::assertArrayNotHasKey('clip', (array) $picture);
        self::assertSame(404, $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/clip.mp4")->getStatusCode());
    }

    public function testOneThatCannotBeReadIsRefusedInASentenceAndTheNextComesIn(): void
    {
        $story = $this->as('sam')->story();
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.mp4';
        Media::sound($path, 'sine=300', 1, ['-c:a', 'aac', '-f', 'mp4']);
        $refused = $this->bringIn($story, $path, 'silent.mp4', 'clip', (string) Uuid::v7());
        $next = $this->bringIn($story, self::newClip(0.5), 'waves.mp4', 'clip', (string) Uuid::v7());

        self::assertSame(['refused', 'clip.no-pictures'], [$refused['state'], self::at($refused, 'problem', 'code')]);
        self::assertSame('ready', $next['state']);
        $this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'clip', 'file' => 'a.mp4', 'bytes' => 1_000_000_001], 413);
    }

    /** A clip may take minutes: a picture that came after it is made ready meanwhile, by a worker that takes no clips. */
    public function testNothingShortWaitsForAClip(): void
    {
        $story = $this->as('sam')->story();
        $clip = $this->sent($story, self::newClip(0.5, true), 'waves.mp4', 'clip', (string) Uuid::v7());
        $picture = $this->sent($story, self::newPicture(), 'beach.jpg', 'picture', (string) Uuid::v7());
        $states = fn(): array => array_map(fn(string $id): mixed => $this->told('GET', "/api/assets/{$id}")['state'], [$clip, $picture]);

        $this->consume('assets');
        self::assertSame(['waiting', 'ready'], $states());
        $this->consume('clips');
        self::assertSame(['ready', 'ready'], $states());
    }

    public function testAFrameOfItBecomesAPictureBehindItsSlide(): void
    {
        [$story, $slide, $asset] = $this->brought(self::newClip());
        $new = (string) Uuid::v7();
        $taken = StoryTest::text($this->told(
            'POST',
            "/api/stories/{$story}/assets/{$asset}/frames",
            ['frame' => 21, 'slide' => $new, 'after' => [$slide]],
            201,
        )['id']);
        $made = $this->prepared($taken);
        $view = $this->told('GET', "/api/stories/{$story}");

        self::assertSame(['ready', 'waves 0021.png'], [$made['state'], $made['file']]);
        self::assertSame(
            [$new, $taken],
            [self::at($view, 'story', 'slides', 2, 'id'), self::at($view, 'story', 'slides', 2, 'layers', 0, 'asset')],
        );
        self::assertSame('Ann', self::at($view, 'story', 'assets', $taken, 'source', 'author'), 'it is whose the clip is');
        // The very frame: its number stands in it.
        $full = self::service(Store::class)->near(AssetFiles::picture($taken, 'full.jpg'));
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.mkv';
        Tool::ffmpeg(['-v', 'error', '-i', Tool::file($full), '-frames:v', '1', '-c:v', 'mjpeg', '-q:v', '2', $path]);
        self::assertSame([21], Clips::numbers($path));
        // The same one once more is the one that is there, on another slide.
        $again = $this->told(
            'POST',
            "/api/stories/{$story}/assets/{$asset}/frames",
            ['frame' => 21, 'slide' => $another = (string) Uuid::v7(), 'after' => [$new]],
            201,
        );
        $this->prepared(StoryTest::text($again['id']));
        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertSame(
            [$another, $taken],
            [self::at($view, 'story', 'slides', 3, 'id'), self::at($view, 'story', 'slides', 3, 'layers', 0, 'asset')],
        );
    }

    public function testOnlyFramesThatThereAreAreTaken(): void
    {
        [$story, , $asset] = $this->brought(self::newClip(0.5, true));
        $body = ['frame' => 15, 'slide' => (string) Uuid::v7()];

        self::assertSame('clip.no-such-frame', $this->told('POST', "/api/stories/{$story}/assets/{$asset}/frames", $body, 409)['code']);
        self::assertSame(422, $this->ask('POST', "/api/stories/{$story}/assets/{$asset}/frames", ['frame' => -1] + $body)->getStatusCode());
        self::assertSame(
            422,
            $this->ask('POST', "/api/stories/{$story}/assets/{$asset}/frames", ['slide' => '../x', 'frame' => 1])->getStatusCode(),
        );
        self::assertSame(404, $this->ask('POST', "/api/stories/{$story}/assets/" . Uuid::v7() . '/frames', $body)->getStatusCode());
        self::assertSame(
            404,
            $this->as('sue')->ask('POST', "/api/stories/{$story}/assets/{$asset}/frames", ['frame' => 1] + $body)->getStatusCode(),
        );
    }

    public function testASlideThatMovesIsPastedIntoAnotherStoryWithItsClip(): void
    {
        [$from, $slide, $asset] = $this->brought(self::newClip(0.5));
        $into = $this->story();
        $view = $this->told('GET', "/api/stories/{$from}");
        $copied = self::at($view, 'story', 'slides', 1);
        $this->told(
            'POST',
            "/api/stories/{$into}/slides",
            ['from' => $from, 'slides' => [$copied], 'ids' => [(string) Uuid::v7()], 'after' => null],
            200,
            ['If-Match' => '"' . $this->revision($into) . '"'],
        );
        $pasted = StoryTest::text(self::at($this->told('GET', "/api/stories/{$into}"), 'story', 'slides', 0, 'layers', 0, 'asset'));

        self::assertNotSame($asset, $pasted);
        self::assertNotSame('', $slide);
        $store = self::service(Store::class);
        foreach ([PreparedClip::FULL, PreparedClip::LIGHT, PreparedClip::STRIP] as $file) {
            self::assertTrue($store->has(AssetFiles::clip($pasted, $file)), $file);
        }
    }
}
