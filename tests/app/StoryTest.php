<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Rhapsode\App\Story\StoryRecord;
use Symfony\Component\Uid\Uuid;

final class StoryTest extends AppTestCase
{
    public function testAStoryBeginsWithItsTitleSlide(): void
    {
        $view = $this->as('sam')->told('POST', '/api/stories', ['title' => 'The mill'], 201);

        self::assertSame('title', self::at($view, 'story', 'slides', 0, 'layout'));
        self::assertSame(150, self::at($view, 'plan', 'frames'));
    }

    public function testAStoryNeedsATitle(): void
    {
        $this->as('sam')->told('POST', '/api/stories', ['title' => '  '], 422);
    }

    public function testEditsAreKeptWithTheirRevisionAndTheStoredStoryIsOfItsSchema(): void
    {
        $id = $this->as('sam')->story();
        $view = $this->edit($id, ['do' => 'add slide', 'slide' => [
            'id' => 'second',
            'layout' => 'title',
            'layers' => [['id' => 'title', 'kind' => 'words', 'role' => 'title', 'text' => 'Part two']],
        ], 'after' => null]);
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

        $problem = $this->told(
            'POST',
            "/api/stories/{$id}/edits",
            ['edits' => [['do' => 'rename', 'title' => 'Unseen']]],
            412,
            ['If-Match' => '"1"'],
        );
        self::assertSame(2, $problem['revision']);
        $this->told('POST', "/api/stories/{$id}/edits", $rename, 428);
        self::assertSame('Mine', self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'title'));
    }

    public function testEditsSentTogetherAreAllDoneOrNone(): void
    {
        $id = $this->as('sam')->story();
        $this->told(
            'POST',
            "/api/stories/{$id}/edits",
            ['edits' => [['do' => 'rename', 'title' => 'Half'], ['do' => 'delete slides', 'slides' => ['gone']]]],
            409,
            ['If-Match' => '"1"'],
        );

        self::assertSame('The mill', self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'title'));
    }

    public function testEveryEditCanBeUndoneAndDoneAgainAfterAReload(): void
    {
        $id = $this->as('sam')->story();
        foreach (['One', 'Two', 'Three'] as $title) {
            $this->edit($id, ['do' => 'rename', 'title' => $title]);
        }
        $step = fn(string $way): mixed => self::at(
            $this->told('POST', "/api/stories/{$id}/{$way}", null, 200, ['If-Match' => '"' . $this->revision($id) . '"']),
            'story',
            'title',
        );

        self::assertSame(['Two', 'One', 'Two'], [$step('undo'), $step('undo'), $step('redo')]);
        $this->edit($id, ['do' => 'rename', 'title' => 'Another way']);
        $this->told('POST', "/api/stories/{$id}/redo", null, 409, ['If-Match' => '"' . $this->revision($id) . '"']);
        self::assertSame(['Two', 'One', 'The mill'], [$step('undo'), $step('undo'), $step('undo')]);
        self::assertFalse($this->told('GET', "/api/stories/{$id}")['canUndo']);
    }

    public function testADeletedStoryComesBack(): void
    {
        $id = $this->as('sam')->story();
        self::assertSame(204, $this->ask('DELETE', "/api/stories/{$id}")->getStatusCode());
        $this->told('GET', "/api/stories/{$id}", null, 404);
        self::assertSame([], $this->told('GET', '/api/desk')['stories']);
        self::assertSame(204, $this->ask('POST', "/api/stories/{$id}/restore")->getStatusCode());
        $this->told('GET', "/api/stories/{$id}");
    }

    /** Three are chosen; the second arrives before the first. Each says which ones it should follow, the nearest first. */
    public function testPicturesThatOvertakeEachOtherKeepTheirOrder(): void
    {
        $id = $this->as('sam')->story();
        $title = self::text(self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides', 0, 'id'));
        foreach (['b' => ['a', $title], 'a' => [$title], 'c' => ['b', 'a', $title]] as $slide => $after) {
            $this->bringIn($id, $path = self::newPicture(), "{$slide}.jpg", slide: $slide, after: $after);
            unlink($path);
        }
        self::assertSame(
            [$title, 'a', 'b', 'c'],
            array_column((array) self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides'), 'id'),
        );
    }

    /** The answer was lost on its way: asked again, it is the same answer and not a second picture. */
    public function testAPictureSentAgainForTheSameSlideIsThatPicture(): void
    {
        $id = $this->as('sam')->story();
        $path = self::newPicture();
        $first = $this->bringIn($id, $path, slide: 'one');
        $again = $this->bringIn($id, $path, slide: 'one');
        unlink($path);

        self::assertSame('ready', $again['state']);
        self::assertNull($again['same'], 'it is there, and asks nothing');
        self::assertNotNull($first['id']);
        self::assertCount(2, (array) self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides'));
    }

    /** @return iterable<string, array{string, int, string|null}> */
    public static function titles(): iterable
    {
        yield 'nothing to be seen' => ["\u{200B}\u{2060}\u{3164}", 422, null];
        yield 'only turned round' => ["\u{202E}\u{202C}", 422, null];
        yield 'turned round' => ["\u{202E}llim ehT\u{202C}", 201, 'llim ehT'];
        yield 'no characters' => ["The \u{FFFE}mill\u{FFFF}\u{1FFFE}", 201, 'The mill'];
        yield 'Hebrew with its mark' => ["טחנה\u{200F}", 201, "טחנה\u{200F}"];
        yield 'a family' => ['👩‍👩‍👧', 201, '👩‍👩‍👧'];
    }

    #[DataProvider('titles')]
    public function testATitleCanBeSeenAndDisturbsNothing(string $title, int $status, ?string $kept): void
    {
        $answer = $this->as('sam')->told('POST', '/api/stories', ['title' => $title], $status);
        self::assertSame($kept, 201 === $status ? self::at($answer, 'story', 'title') : null);
        if (201 === $status) {
            $words = self::text(self::at($answer, 'plan', 'scenes', 0, 'layers', 0, 'hash'));
            self::assertSame(
                200,
                $this->ask('GET', '/api/stories/' . self::text($answer['id']) . "/words/{$words}.png")->getStatusCode(),
                'it can be drawn',
            );
        }
    }

    public function testTooMuchAtOnceIsRefusedBeforeItIsRead(): void
    {
        $id = $this->as('sam')->story();
        $this->told('POST', '/api/stories', '{"title":[' . str_repeat('0,', 3_000_000) . '0]}', 413);
        $this->told('POST', "/api/stories/{$id}/edits", '{"edits":[' . str_repeat('0,', 600_000) . '0]}', 422, ['If-Match' => '"1"']);
        self::assertLessThan(384_000_000, memory_get_peak_usage(true));
    }

    /** What a page shows of its plan is found again without planning, and the words of another story are not. */
    public function testWordsAreFoundByTheirHash(): void
    {
        $id = $this->as('sam')->story();
        $words = self::text(self::at($this->told('GET', "/api/stories/{$id}"), 'plan', 'scenes', 0, 'layers', 0, 'hash'));
        $other = self::text($this->told('POST', '/api/stories', ['title' => 'Another'], 201)['id']);

        self::assertSame(200, $this->ask('GET', "/api/stories/{$id}/words/{$words}.png")->getStatusCode());
        self::assertSame(404, $this->ask('GET', "/api/stories/{$other}/words/{$words}.png")->getStatusCode());
    }

    public function testPicturesComeInOnce(): void
    {
        $id = $this->as('sam')->story();
        [$one, $two] = [self::newPicture(), self::newPicture()];
        $second = $this->bringIn($id, $two, 'b.jpg', slide: 'b');
        self::assertSame(1280, self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'assets', self::text($second['id']), 'width'));
        $same = $this->bringIn($id, $two, 'again.jpg');

        self::assertSame($second['id'], $same['same']);
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
        $ended = $this->bringIn($id, $path, 'broken.jpg');

        self::assertSame('refused', $ended['state']);
        self::assertSame(['code' => 'picture.broken'], $ended['problem']);
        self::assertCount(1, (array) self::at($this->told('GET', "/api/stories/{$id}"), 'story', 'slides'));
        unlink($path);
    }

    public function testPicturesAndWordsAreSentByTheWebServerAfterTheCheck(): void
    {
        $id = $this->as('sam')->story();
        $picture = self::text($this->bringIn($id, $path = self::newPicture())['id']);
        unlink($path);
        $response = $this->ask('GET', "/api/stories/{$id}/assets/{$picture}/full.jpg");
        self::assertSame("/_store/pictures/{$picture}/full.jpg", $response->headers->get('X-Accel-Redirect'));
        self::assertStringContainsString('private', (string) $response->headers->get('Cache-Control'));
        self::assertStringContainsString(
            'no-cache',
            (string) $response->headers->get('Cache-Control'),
            'the next at this computer is asked who he is',
        );
        self::assertSame('nosniff', $response->headers->get('X-Content-Type-Options'));
        $hash = self::text(self::at($this->told('GET', "/api/stories/{$id}"), 'plan', 'scenes', 0, 'layers', 0, 'hash'));
        self::assertSame('image/png', $this->ask('GET', "/api/stories/{$id}/words/{$hash}.png")->headers->get('Content-Type'));
        $this->told('GET', "/api/stories/{$id}/words/" . str_repeat('0', 24) . '.png', null, 404);
    }

    public static function text(mixed $value): string
    {
        self::assertIsString($value);

        return $value;
    }
}
