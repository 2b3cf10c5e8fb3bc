<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Story\StoryRecord;
use Symfony\Component\Uid\Uuid;

final class StoryTest extends AppTestCase
{
    public function testAStoryBeginsWithItsTitleSlide(): void
    {
        $view = $this->as('sam')->told('POST', '/api/stories', ['title' => 'The mill'], 201);

        self::assertSame('title', self::at($view, 'story', 'slides', 0, 'kind'));
        self::assertSame(150, self::at($view, 'plan', 'frames'));
    }

    public function testAStoryNeedsATitle(): void
    {
        $this->as('sam')->told('POST', '/api/stories', ['title' => '  '], 422);
    }

    public function testEditsAreKeptWithTheirRevisionAndTheStoredStoryIsOfItsSchema(): void
    {
        $id = $this->as('sam')->story();
        $view = $this->edit($id, ['do' => 'add slide', 'slide' => ['id' => 'second', 'kind' => 'title', 'heading' => 'Part two'], 'after' => null]);
        \assert(\is_array($view));

        self::assertSame(2, $view['revision']);
        self::assertSame('second', self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides', 0, 'id'));
        $record = $this->entities()->find(StoryRecord::class, $id);
        self::assertNotNull($record);
        (new Contract())->checkStory($record->document());
    }

    /** RFC 9110, If-Match; RFC 6585, 428. */
    public function testUnseenWorkIsNeverOverwritten(): void
    {
        $id = $this->as('sam')->story();
        $rename = ['edits' => [['do' => 'rename', 'title' => 'Mine']]];
        $this->told('POST', "/api/stories/{$id}/edits", $rename, 200, ['If-Match' => '"1"']);

        $problem = $this->told('POST', "/api/stories/{$id}/edits", ['edits' => [['do' => 'rename', 'title' => 'Unseen']]], 412, ['If-Match' => '"1"']);
        self::assertSame(2, $problem['revision']);
        $this->told('POST', "/api/stories/{$id}/edits", $rename, 428);
        self::assertSame('Mine', self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'title'));
    }

    public function testEditsSentTogetherAreAllDoneOrNone(): void
    {
        $id = $this->as('sam')->story();
        $this->told('POST', "/api/stories/{$id}/edits", ['edits' => [['do' => 'rename', 'title' => 'Half'], ['do' => 'delete slides', 'slides' => ['gone']]]], 409, ['If-Match' => '"1"']);

        self::assertSame('The mill', self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'title'));
    }

    public function testEveryEditCanBeUndoneAndDoneAgainAfterAReload(): void
    {
        $id = $this->as('sam')->story();
        foreach (['One', 'Two', 'Three'] as $title) {
            $this->edit($id, ['do' => 'rename', 'title' => $title]);
        }
        $step = fn(string $way): mixed => self::at($this->told('POST', "/api/stories/{$id}/{$way}", null, 200, ['If-Match' => '"' . $this->revision($id) . '"']), 'story', 'title');

        self::assertSame(['Two', 'One', 'Two'], [$step('undo'), $step('undo'), $step('redo')]);
        $this->edit($id, ['do' => 'rename', 'title' => 'Another way']);
        $this->told('POST', "/api/stories/{$id}/redo", null, 409, ['If-Match' => '"' . $this->revision($id) . '"']);
        self::assertSame(['Two', 'One', 'The mill'], [$step('undo'), $step('undo'), $step('undo')]);
        self::assertFalse($this->told('GET', "/api/stories/{$id}")['canUndo']);
    }

    public function testAStoryPutAwayComesBack(): void
    {
        $id = $this->as('sam')->story();
        self::assertSame(204, $this->ask('DELETE', "/api/stories/{$id}")->getStatusCode());
        $this->told('GET', "/api/stories/{$id}", null, 404);
        self::assertSame([], $this->told('GET', '/api/desk')['stories']);
        self::assertSame(204, $this->ask('POST', "/api/stories/{$id}/restore")->getStatusCode());
        $this->told('GET', "/api/stories/{$id}");
    }

    public function testPicturesComeInOnceAndOverlappingOnesKeepTheirOrder(): void
    {
        $id = $this->as('sam')->story();
        [$one, $two] = [self::newPicture(), self::newPicture()];
        $second = $this->bringIn($id, $two, 'b.jpg', slide: 'b');
        self::assertSame(1280, self::at($second, 'story', 'story', 'pictures', self::text($second['picture']), 'width'));
        $same = $this->bringIn($id, $two, 'again.jpg', 200);

        self::assertSame($second['picture'], $same['same']);
        $this->bringIn($id, $one, 'a.jpg', slide: 'a');
        self::assertCount(3, (array) self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides'));
        unlink($one);
        unlink($two);
    }

    public function testABrokenPictureGetsItsOwnSentence(): void
    {
        $id = $this->as('sam')->story();
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.jpg';
        file_put_contents($path, "\xFF\xD8\xFF\xE0 broken");
        $problem = $this->bringIn($id, $path, 'broken.jpg', 422);

        self::assertStringContainsString('broken', self::text($problem['detail']));
        self::assertCount(1, (array) self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides'));
        unlink($path);
    }

    public function testPicturesAndWordsAreSentByTheWebServerAfterTheCheck(): void
    {
        $id = $this->as('sam')->story();
        $picture = self::text($this->bringIn($id, $path = self::newPicture())['picture']);
        unlink($path);
        $response = $this->ask('GET', "/api/stories/{$id}/pictures/{$picture}/full.jpg");
        self::assertSame("/_store/pictures/{$picture}/full.jpg", $response->headers->get('X-Accel-Redirect'));
        self::assertStringContainsString('private', (string) $response->headers->get('Cache-Control'));
        self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));
        $hash = self::text(self::at($this->told('GET', "/api/stories/{$id}"), 'plan', 'slides', 0, 'words'));
        self::assertSame('image/png', $this->ask('GET', "/api/stories/{$id}/words/{$hash}.png")->headers->get('Content-Type'));
        $this->told('GET', "/api/stories/{$id}/words/" . str_repeat('0', 24) . '.png', null, 404);
    }

    public static function text(mixed $value): string
    {
        self::assertIsString($value);

        return $value;
    }
}
