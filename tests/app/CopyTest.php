<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Story\StoryRecord;
use Symfony\Component\Uid\Uuid;

/** A story copied: with its voices, or to be told again. */
final class CopyTest extends AppTestCase
{
    /** @return array{string, string, string} a story with a picture and a voice, and these */
    private function spoken(): array
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $view = $this->told('GET', "/api/stories/{$story}");
        $slide = self::at($view, 'story', 'slides', 1, 'id');
        $picture = StoryTest::text(self::at($view, 'story', 'slides', 1, 'layers', 0, 'asset'));
        $this->edit($story, ['do' => 'set script', 'slide' => $slide, 'script' => 'The reeds stand in the water.']);
        $asset = StoryTest::text($this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'voice', 'slide' => $slide], 201)['id']);
        foreach (AssetTest::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        $this->prepared($asset);

        return [$story, $picture, $asset];
    }

    public function testWithItsVoicesItIsTheSameAndNothingOfItIsTheFirstOnes(): void
    {
        [$story, $picture, $voice] = $this->spoken();
        $copy = $this->told('POST', "/api/stories/{$story}/copies", ['title' => 'Again', 'voices' => true], 201);
        $id = StoryTest::text($copy['id']);
        self::assertSame('Again', self::at($copy, 'story', 'title'));
        $new = StoryTest::text(self::at($copy, 'story', 'slides', 1, 'voice', 0, 'asset'));
        $shown = StoryTest::text(self::at($copy, 'story', 'slides', 1, 'layers', 0, 'asset'));
        self::assertNotContains($new, [$voice, $picture]);
        self::assertSame(200, $this->ask('GET', "/api/stories/{$id}/assets/{$new}/voice.flac")->getStatusCode());
        self::assertSame(200, $this->ask('GET', "/api/stories/{$id}/assets/{$shown}/thumb.jpg")->getStatusCode());
        self::assertSame(404, $this->ask('GET', "/api/stories/{$id}/assets/{$voice}/voice.flac")->getStatusCode());
        $record = $this->entities()->find(StoryRecord::class, $id);
        self::assertNotNull($record);
        (new Contract())->checkStory($record->document());

        // What becomes of the first is nothing to it.
        $this->ask('DELETE', "/api/stories/{$story}");
        self::assertSame(200, $this->ask('GET', "/api/stories/{$id}/assets/{$shown}/thumb.jpg")->getStatusCode());
        $slide = StoryTest::text(self::at($copy, 'story', 'slides', 1, 'id'));
        $takes = $this->told('GET', "/api/stories/{$id}/slides/{$slide}/takes.json");
        self::assertTrue(self::at($takes, 0, 'isOwn'));
        self::assertSame($new, self::at($takes, 0, 'asset'));
        self::assertSame([], self::at($takes, 0, 'sounds'));
    }

    public function testWithoutThemItIsToBeToldAgain(): void
    {
        [$story] = $this->spoken();
        $copy = $this->told('POST', "/api/stories/{$story}/copies", ['title' => 'Again', 'voices' => false], 201);
        self::assertSame([], self::at($copy, 'story', 'slides', 1, 'voice'));
        self::assertSame('The reeds stand in the water.', self::at($copy, 'story', 'slides', 1, 'toldBefore'));
        $place = Uuid::fromString(StoryTest::text($copy['id']));
        self::assertSame(1, $this->entities()->getRepository(AssetRecord::class)->count(['place' => $place]), 'its picture alone');
        $this->told('POST', "/api/stories/{$story}/copies", ['title' => ' ', 'voices' => false], 422);
        $this->told('POST', "/api/stories/{$story}/copies", ['title' => 'Again'], 422);
    }

    public function testHowALongSoundMayBeDividedIsToldAndDone(): void
    {
        [$story, , $voice] = $this->spoken();
        $told = $this->told('GET', "/api/stories/{$story}/split.json?voices={$voice}");
        $span = (array) self::at($told, 'voice', 0);
        self::assertIsInt($span['from']);
        self::assertIsInt($told['samples']);
        self::assertSame($span['to'], $told['samples'] + $span['from']);
        self::assertNotEmpty($told['peaks']);
        self::assertSame([0, 1], [self::at($told, 'slides', 0, 'at'), \count((array) $told['slides'])]);
        $slides = (array) self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides');
        $first = StoryTest::text(((array) $slides[0])['id']);
        $both = $this->told('GET', "/api/stories/{$story}/split.json?voices={$voice}&from={$first}");
        self::assertCount(2, (array) $both['slides']);
        $this->edit($story, ['do' => 'deal voice', 'voice' => $both['voice'], 'begins' => array_map(
            static fn(mixed $begin): array => array_intersect_key((array) $begin, ['slide' => 0, 'at' => 0]),
            (array) $both['slides'],
        )]);
        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertSame([$voice, $voice], [self::at($view, 'story', 'slides', 0, 'voice', 0, 'asset'), self::at($view, 'story', 'slides', 1, 'voice', 0, 'asset')]);
        self::assertSame(404, $this->ask('GET', "/api/stories/{$story}/split.json?voices=" . Uuid::v7())->getStatusCode());
    }
}
