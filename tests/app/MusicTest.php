<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Uid\Uuid;

/** Music for beds, and captions from files. */
final class MusicTest extends AppTestCase
{
    /** @return array<string, mixed> how it ended */
    private function bring(string $story, string $kind, string $bytes): array
    {
        $path = sys_get_temp_dir() . '/' . Uuid::v7();
        file_put_contents($path, $bytes);
        $ended = $this->bringIn($story, $path, "mine.{$kind}", $kind);
        unlink($path);

        return $ended;
    }

    private static function music(): string
    {
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.ogg';
        Media::sound($path, 'sine=400:r=48000', 6.0, ['-c:a', 'libopus', '-ac', '2']);
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    public function testMusicIsLaidUnderTheStoryAndMovedCreditedAndTakenOut(): void
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, $path = self::newPicture());
        unlink($path);
        $music = StoryTest::text($this->bring($story, 'music', self::music())['id']);
        $added = $this->told('GET', "/api/stories/{$story}");
        $bed = StoryTest::text(self::at($added, 'story', 'beds', 0, 'id'));

        self::assertSame($music, self::at($added, 'plan', 'plays', 0, 'asset'));
        self::assertContains('no-music-source', array_column((array) self::at($added, 'proof'), 'rule'));
        self::assertSame(
            "/_store/music/{$music}/music.ogg",
            $this->ask('GET', "/api/stories/{$story}/assets/{$music}/music.ogg")->headers->get('X-Accel-Redirect'),
        );

        $this->edit($story, ['do' => 'set bed', 'bed' => $bed, 'changes' => ['under' => 20, 'fadeIn' => 0.5]]);
        $this->edit($story, ['do' => 'set source', 'assets' => [$music], 'source' => ['author' => 'Sam', 'licence' => 'CC0']]);
        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertSame(
            [20, 0.5, 3],
            array_map(static fn(string $key): mixed => self::at($view, 'story', 'beds', 0, $key), ['under', 'fadeIn', 'fadeOut']),
            'what is not told stays',
        );
        self::assertContains('Music by Sam · CC0', (array) self::at($view, 'plan', 'credits'));
        self::assertNotContains('no-music-source', array_column((array) self::at($view, 'proof'), 'rule'));

        $this->edit($story, ['do' => 'delete bed', 'bed' => $bed]);
        self::assertSame([], self::at($this->told('GET', "/api/stories/{$story}"), 'plan', 'plays'));
        $this->told('POST', "/api/stories/{$story}/undo", null, 200, ['If-Match' => '"' . $this->revision($story) . '"']);
        self::assertSame(
            $bed,
            self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'beds', 0, 'id'),
            'undone, it is there again',
        );
    }

    public function testWhatIsNoMusicAndNoBedIsRefused(): void
    {
        $story = $this->as('sam')->story();
        self::assertSame(['code' => 'sound.unknown-kind'], $this->bring($story, 'music', 'words')['problem']);
        $this->edit($story, ['do' => 'add bed', 'bed' => ['id' => 'b', 'asset' => 'nowhere']], 409);
        $this->edit($story, ['do' => 'set bed', 'bed' => 'nowhere', 'changes' => ['under' => 3]], 409);
        $this->edit($story, ['do' => 'set bed', 'bed' => 'b', 'changes' => ['under' => 300]], 422);
        $this->edit($story, ['do' => 'set bed', 'bed' => 'b', 'changes' => ['asset' => 'other']], 422);
    }

    public function testCaptionsComeFromAFileAndGoAgain(): void
    {
        $story = $this->as('sam')->story();
        foreach (["WEBVTT\n\n00:01.000 --> 00:02.000\nMine.\n", "1\n00:00:01,000 --> 00:00:02,000\nMine.\n"] as $text) {
            self::assertSame('ready', $this->bring($story, 'captions', $text)['state']);
            $view = $this->told('GET', "/api/stories/{$story}");
            self::assertSame(
                ['start' => 1, 'end' => 2, 'text' => 'Mine.'],
                array_intersect_key((array) self::at($view, 'plan', 'cues', 0), ['start' => 0, 'end' => 0, 'text' => 0]),
            );
            $this->edit($story, ['do' => 'drop captions']);
            self::assertSame([], self::at($this->told('GET', "/api/stories/{$story}"), 'plan', 'cues'));
        }
        self::assertSame(['code' => 'captions.nobody-speaks'], $this->bring($story, 'captions', 'Only words.')['problem']);
        self::assertSame(['code' => 'captions.unreadable'], $this->bring($story, 'captions', 'a --> b')['problem']);
    }

    public function testAFilmIsMadeInTheSizeAndKindAskedFor(): void
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, $path = self::newPicture());
        unlink($path);
        $one = $this->told('POST', "/api/stories/{$story}/films", ['size' => 'small', 'container' => 'webm'], 202);
        $same = $this->told('POST', "/api/stories/{$story}/films", ['size' => 'small', 'container' => 'webm']);
        $other = $this->told('POST', "/api/stories/{$story}/films", ['size' => '1080'], 202);

        self::assertSame([$one['id'], 'small', 'webm'], [$same['id'], $same['size'], $same['container']]);
        self::assertSame(['1080', 'mp4'], [$other['size'], $other['container']]);
        $this->told('POST', "/api/stories/{$story}/films", ['size' => '4000'], 422);
        $this->edit($story, ['do' => 'set shape', 'shape' => '9:16']);
        $this->edit($story, ['do' => 'set language', 'language' => 'not a tag'], 409);
        self::assertSame(
            [720, 1280],
            [self::at($view = $this->told('GET', "/api/stories/{$story}"), 'plan', 'width'), self::at($view, 'plan', 'height')],
        );
    }
}
