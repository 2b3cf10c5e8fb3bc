<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StorySweeper;
use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Uid\Uuid;

final class PasteTest extends AppTestCase
{
    /** @return array{string, array<string, mixed>, string} a story with a pictured slide, that slide, and its picture */
    private function pictured(): array
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $view = $this->told('GET', "/api/stories/{$story}");
        $asset = StoryTest::text(self::at($view, 'story', 'slides', 1, 'layers', 0, 'asset'));
        $this->edit($story, ['do' => 'set source', 'assets' => [$asset], 'source' => ['title' => 'Reeds', 'author' => 'Wren']]);
        $this->edit(
            $story,
            ['do' => 'set script', 'slide' => self::at($view, 'story', 'slides', 1, 'id'), 'script' => 'The reeds stand in the water.'],
        );
        /** @var array<string, mixed> $slide */
        $slide = self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1);

        return [$story, $slide, $asset];
    }

    /**
     * @param list<mixed> $slides
     *
     * @return array<string, mixed>
     */
    private function paste(string $into, string $from, array $slides, int $status = 200, ?string $after = null): array
    {
        return $this->told('POST', "/api/stories/{$into}/slides", [
            'from' => $from, 'slides' => $slides, 'ids' => array_map(
                static fn(): string => (string) Uuid::v7(),
                $slides,
            ), 'after' => $after,
        ], $status, ['If-Match' => '"' . $this->revision($into) . '"']);
    }

    public function testASlideCutFromAStoryIsPastedIntoItAgain(): void
    {
        [$story, $slide] = $this->pictured();
        $this->edit($story, ['do' => 'delete slides', 'slides' => [$slide['id']]]);
        $title = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'id'));
        $this->paste($story, $story, [$slide, $slide], after: $title);

        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertCount(3, (array) self::at($view, 'story', 'slides'));
        self::assertSame($slide['layers'], self::at($view, 'story', 'slides', 1, 'layers'), 'it shows the same picture');
        self::assertNotSame(self::at($view, 'story', 'slides', 1, 'id'), self::at($view, 'story', 'slides', 2, 'id'));
        self::assertSame(1, $this->entities()->getRepository(AssetRecord::class)->count(['place' => Uuid::fromString($story)]));
    }

    public function testWhatWasPointedAtIsItsPictureThereToo(): void
    {
        [$from, $slide, $picture] = $this->pictured();
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.wav';
        Media::sound($path, 'sine=300:r=48000', 3.0, ['-f', 'wav']);
        $this->bringIn($from, $path, 'said.wav', 'voice', StoryTest::text($slide['id'] ?? ''));
        $slides = fn(string $story): mixed => self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides');
        [, $spoken] = (array) $slides($from);
        \assert(\is_array($spoken));
        $stroke = ['form' => 'ring', 'over' => $picture, 'points' => [[500, 0.25, 0.5], [900, 0.25, 0.5]]];
        $this->edit($from, ['do' => 'set pointing', 'voice' => $spoken['voice'], 'strokes' => [$stroke]]);
        $into = $this->story();
        $this->paste($into, $from, [$spoken]);

        $view = $this->told('GET', "/api/stories/{$into}");
        $there = static fn(string|int ...$keys): mixed => self::at($view, 'story', 'slides', 0, ...$keys);
        $over = self::at($view, 'story', 'assets', StoryTest::text($there('voice', 0, 'asset')), 'take', 'pointing', 0, 'over');
        self::assertSame($there('layers', 0, 'asset'), $over);
        self::assertNotSame($picture, $over);
    }

    public function testASlidePastedIntoAnotherStoryBringsItsPictureAndStaysWhenTheFirstIsGone(): void
    {
        [$from, $slide, $first] = $this->pictured();
        $into = $this->story();
        $this->paste($into, $from, [$slide]);
        $this->paste($into, $from, [$slide]);
        $view = $this->told('GET', "/api/stories/{$into}");
        $asset = StoryTest::text(self::at($view, 'story', 'slides', 0, 'layers', 0, 'asset'));

        self::assertSame('The reeds stand in the water.', self::at($view, 'story', 'slides', 0, 'script'));
        self::assertNotSame($first, $asset, 'a picture of its own');
        self::assertSame($asset, self::at($view, 'story', 'slides', 1, 'layers', 0, 'asset'), 'and only one, however often it is pasted');
        self::assertSame('Wren', self::at($view, 'story', 'assets', $asset, 'source', 'author'));

        $record = $this->entities()->find(StoryRecord::class, $from);
        self::assertNotNull($record);
        $record->deletedAt = new \DateTimeImmutable('-31 days');
        $this->entities()->flush();
        self::assertSame(1, self::service(StorySweeper::class)->sweep());
        self::assertTrue(self::service(Store::class)->has(AssetFiles::picture($asset, 'full.jpg')));
        self::assertSame(200, $this->ask('GET', "/api/stories/{$into}/assets/{$asset}/thumb.jpg")->getStatusCode());
    }

    public function testNobodyPastesFromSomebodyElsesStory(): void
    {
        [$from, $slide] = $this->pictured();
        $into = $this->as('sue')->story();
        $this->paste($into, $from, [$slide], 409);
        // Nor by saying that the picture is in a story of one's own.
        $own = $this->story();
        $this->paste($into, $own, [$slide], 409);
        $this->paste($into, $into, [$slide], 422);

        self::assertCount(1, (array) self::at($this->told('GET', "/api/stories/{$into}"), 'story', 'slides'));
        self::assertSame(0, $this->entities()->getRepository(AssetRecord::class)->count(['place' => Uuid::fromString($into)]));
    }

    public function testWhatIsPastedIsUndoneInOneStep(): void
    {
        [$from, $slide] = $this->pictured();
        $into = $this->story();
        $this->paste($into, $from, [$slide, $slide]);
        $this->told('POST', "/api/stories/{$into}/undo", null, 200, ['If-Match' => '"' . $this->revision($into) . '"']);

        self::assertCount(1, (array) self::at($this->told('GET', "/api/stories/{$into}"), 'story', 'slides'));
    }

    public function testNoSlidesAndTooFewIdsAreSaid(): void
    {
        [$story, $slide] = $this->pictured();
        $this->paste($story, $story, [], 422);
        $match = ['If-Match' => '"' . $this->revision($story) . '"'];
        $pasted = ['from' => $story, 'slides' => [$slide], 'after' => null];
        $this->told('POST', "/api/stories/{$story}/slides", $pasted + ['ids' => []], 409, $match);
        $this->told('POST', "/api/stories/{$story}/slides", $pasted + ['ids' => ['one']], 412, ['If-Match' => '"1"']);
    }
}
