<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Some of a class make one story. */
final class TogetherTest extends AppTestCase
{
    private string $story;

    protected function setUp(): void
    {
        parent::setUp();
        $this->assignment->together = 2;
        $this->entities()->flush();
        $this->story = $this->storyOf(new Story('Ours', [new Slide('t')]));
    }

    private function storyOf(Story $story): string
    {
        $record = new StoryRecord($this->kept('sam'), $story, $this->entities()->find($this->assignment::class, $this->assignment->id));
        $this->entities()->persist($record);
        $this->entities()->flush();

        return (string) $record->id;
    }

    private static function voice(string $id): Voice
    {
        return new Voice($id, 't.webm', 96_000, 0, 96_000, -20.0, -3.0);
    }

    private function kept(string $name): User
    {
        return $this->entities()->find(User::class, $this->people[$name]->id) ?? self::fail();
    }

    private function classmate(string $name): string
    {
        $user = new User($this->kept('sam')->school, $name, ucfirst($name), Role::Student);
        $this->entities()->persist($user);
        $this->entities()->persist(new Membership($user, $this->entities()->find($this->classroom::class, $this->classroom->id) ?? self::fail()));
        $this->entities()->flush();
        $this->people[$name] = $user;

        return (string) $user->id;
    }

    private function id(string $name): string
    {
        return (string) $this->people[$name]->id;
    }

    /** @return list<string> */
    private static function names(Fields $told, string $which): array
    {
        return array_map(static fn(Fields $one): string => $one->text('name'), $told->objects($which));
    }

    public function testBothHaveItAndEachUndoesTheirOwn(): void
    {
        $this->as('sue')->told('GET', "/api/stories/{$this->story}", null, 404);
        $told = Fields::of($this->as('sam')->told('GET', "/api/stories/{$this->story}/makers"));
        self::assertSame([['Sam'], ['Sue']], [self::names($told, 'makers'), self::names($told, 'others')]);
        foreach (['once', 'twice'] as $time) {
            $told = Fields::of($this->told('PUT', "/api/stories/{$this->story}/makers/{$this->id('sue')}"));
            self::assertSame([['Sam', 'Sue'], []], [self::names($told, 'makers'), self::names($told, 'others')], $time);
            self::assertSame($this->id('sam'), $told->id('me'), 'who asks');
        }

        $view = $this->as('sue')->told('GET', "/api/stories/{$this->story}");
        self::assertSame(['Sam', 'Sue'], $view['makers']);
        self::assertSame(1, Fields::of($view)->whole('revision', 1, 9));
        $edit = ['edits' => [['do' => 'rename', 'title' => 'Ours, by Sue']]];
        $this->told('POST', "/api/stories/{$this->story}/edits", $edit, headers: ['If-Match' => '"1"']);
        self::assertSame(['revision' => 2, 'makers' => 2], $this->as('sam')->told('GET', "/api/stories/{$this->story}/revision"));
        $view = $this->told('GET', "/api/stories/{$this->story}");
        self::assertSame(['Ours, by Sue', false], [Fields::of($view)->object('story')->text('title'), $view['canUndo']], 'what Sue did is not Sam’s to undo');

        // It lies on both desks, with who else makes it; only who has begun it throws it away.
        foreach (['sam' => ['Sue'], 'sue' => ['Sam']] as $who => $others) {
            $cover = Fields::of($this->as($who)->told('GET', '/api/desk'))->objects('stories')[0];
            self::assertSame([$this->story, $others, 'sam' === $who], [$cover->id('id'), $cover->raw('others'), $cover->raw('mayDrop')]);
        }
        $this->as('sue')->told('DELETE', "/api/stories/{$this->story}", null, 404);
    }

    public function testNoMoreThanTheTaskLets(): void
    {
        $third = $this->classmate('tom');
        $this->as('sam')->told('PUT', "/api/stories/{$this->story}/makers/{$this->id('sue')}");
        $refused = $this->told('PUT', "/api/stories/{$this->story}/makers/{$third}", null, 409);
        self::assertSame(['together.full', ['most' => 2]], [$refused['code'], $refused['parameters']]);
        $this->entities()->getConnection()->executeStatement('UPDATE assignment SET together = 3');
        $this->as('sue')->told('PUT', "/api/stories/{$this->story}/makers/{$third}");
        // Nobody from another class, and nobody who is no student.
        foreach (['ben', 'tara', 'ada'] as $stranger) {
            $this->told('PUT', "/api/stories/{$this->story}/makers/{$this->id($stranger)}", null, 404);
        }
        // A story that is for no task is made alone.
        $own = Fields::of($this->as('sam')->told('POST', '/api/stories', ['title' => 'Mine'], 201))->id('id');
        $this->told('PUT', "/api/stories/{$own}/makers/{$this->id('sue')}", null, 404);
    }

    public function testWhoLeavesLeavesItToTheOthers(): void
    {
        $this->as('sam')->told('PUT', "/api/stories/{$this->story}/makers/{$this->id('sue')}");
        $this->told('DELETE', "/api/stories/{$this->story}/makers/{$this->id('sue')}", null, 404);
        $told = Fields::of($this->told('DELETE', "/api/stories/{$this->story}/makers/{$this->id('sam')}"));
        self::assertSame(['Sue'], self::names($told, 'makers'));
        $this->told('GET', "/api/stories/{$this->story}", null, 404);
        $refused = $this->as('sue')->told('DELETE', "/api/stories/{$this->story}/makers/{$this->id('sue')}", null, 409);
        self::assertSame('together.last', $refused['code']);
        $this->told('PUT', "/api/stories/{$this->story}/makers/{$this->id('sam')}");
        // It is Sue's now to throw away, and the teacher's to say who makes it.
        $this->as('sam')->told('DELETE', "/api/stories/{$this->story}", null, 404);
        $told = Fields::of($this->as('tara')->told('DELETE', "/api/stories/{$this->story}/makers/{$this->id('sam')}"));
        self::assertSame(['Sue'], self::names($told, 'makers'));
        self::assertSame(204, $this->as('sue')->ask('DELETE', "/api/stories/{$this->story}")->getStatusCode());
    }

    public function testWhatIsHandedInIsEverybodys(): void
    {
        $this->as('sam')->told('PUT', "/api/stories/{$this->story}/makers/{$this->id('sue')}");
        $film = new FilmRecord($this->entities()->find(StoryRecord::class, $this->story) ?? self::fail());
        $film->state = FilmState::Done;
        $film->problems = [];
        $film->seconds = 5;
        $this->entities()->persist($film);
        $this->entities()->flush();
        $handIn = Fields::of($this->as('sue')->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => (string) $film->id], 201))->id('id');
        self::assertSame(['Sam', 'Sue'], $this->as('sam')->told('GET', "/api/handins/{$handIn}")['makers']);
        foreach ([['PUT', 'sue'], ['DELETE', 'sam']] as [$method, $who]) {
            $status = 'PUT' === $method ? 200 : 409;
            self::assertSame($status, $this->ask($method, "/api/stories/{$this->story}/makers/{$this->id($who)}")->getStatusCode());
        }
        // In the table each of them has it.
        $this->as('tara')->ask('GET', "/api/assignments/{$this->assignment->id}/table.csv");
        preg_match_all('/^(Sam|Sue),Ours,/m', (string) $this->client->getResponse()->getContent(), $rows);
        self::assertSame(['Sam', 'Sue'], $rows[1]);
        $this->as('sam')->told('POST', "/api/handins/{$handIn}/withdraw");
        $this->told('DELETE', "/api/stories/{$this->story}/makers/{$this->id('sam')}");
    }

    public function testItIsKnownWhoSaidWhat(): void
    {
        $voices = [];
        foreach (['sam', 'sue'] as $who) {
            $take = new AssetRecord($this->kept($who), $this->entities()->find(StoryRecord::class, $this->story)->id ?? self::fail(), Arriving::Voice, 't.webm', 's');
            $this->entities()->persist($take);
            $voices[(string) $take->id] = $who;
        }
        $this->entities()->flush();
        [$sams, $sues] = array_keys($voices);
        $slide = static fn(string $id, string ...$takes): Slide => (new Slide($id))->with(voice: array_map(static fn(string $take): Span => new Span($take, 0, 48_000), array_values($takes)));
        $document = new Story('Ours', [new Slide('t'), $slide('a', $sams), $slide('b', $sues, $sams, $sues)], [
            $sams => self::voice($sams), $sues => self::voice($sues),
        ]);
        $record = $this->entities()->find(StoryRecord::class, $this->story) ?? self::fail();
        $record->write($document);
        $this->entities()->flush();
        self::assertSame([], $this->as('sam')->told('GET', "/api/stories/{$this->story}")['saidBy'], 'who makes it alone said all of it');
        $this->told('PUT', "/api/stories/{$this->story}/makers/{$this->id('sue')}");
        self::assertSame(['a' => ['Sam'], 'b' => ['Sue', 'Sam']], $this->told('GET', "/api/stories/{$this->story}")['saidBy']);
    }

    public function testATeacherPutsThemTogether(): void
    {
        $third = $this->classmate('tom');
        $groups = "/api/assignments/{$this->assignment->id}/groups";
        $told = Fields::of($this->as('hugo')->told('GET', $groups));
        self::assertSame([[], ['Sam', 'Sue', 'Tom']], [$told->objects('groups'), self::names($told, 'alone')]);
        $this->told('POST', $groups, ['students' => [$third, $this->id('sue')]], 404);
        $made = Fields::of($this->as('tara')->told('POST', $groups, ['students' => [$third, $this->id('sue')]], 201));
        self::assertSame(['Tom', 'Sue'], self::names($made, 'makers'));
        $told = Fields::of($this->told('GET', $groups));
        self::assertSame([['Tom', 'Sue'], ['Sam']], [self::names($told->objects('groups')[0], 'makers'), self::names($told, 'alone')]);
        self::assertSame('Tell it', Fields::of($this->as('sue')->told('GET', '/api/desk'))->objects('stories')[0]->text('title'));
        // What they make is theirs: the teacher leads who makes it, and does not see it.
        $this->as('tara')->told('GET', "/api/stories/{$made->id('story')}", null, 404);

        self::assertSame('together.full', $this->told('POST', $groups, ['students' => [$third, $this->id('sue'), $this->id('sam')]], 409)['code']);
        $this->told('POST', $groups, ['students' => [$third, $third]], 422);
        $this->told('POST', $groups, ['students' => []], 422);
        $this->told('POST', $groups, ['students' => [$third, $this->id('ben')]], 404);
    }

    /** What a teacher has laid ready is there for who begins, and stays as it is whatever they make of it. */
    public function testStoriesBeginWithWhatIsLaidReady(): void
    {
        $ready = Fields::of($this->as('tara')->told('POST', '/api/stories', ['title' => 'Ready'], 201))->id('id');
        $this->bringIn($ready, $path = self::newPicture(), slide: 'pic');
        unlink($path);
        $told = "/api/assignments/{$this->assignment->id}/beginning";
        self::assertSame('edit.story-gone', $this->told('PUT', $told, ['story' => $this->story], 409)['code'], 'only one’s own');
        self::assertSame($ready, $this->as('tara')->told('PUT', $told, ['story' => $ready])['beginning']);
        $slides = static fn(array $view): array => array_map(static fn(Fields $one): string => $one->id('id'), Fields::of($view)->object('story')->objects('slides'));
        $begun = $this->as('sue')->told('POST', '/api/stories', ['title' => 'Sue’s', 'assignment' => (string) $this->assignment->id], 201);
        self::assertContains('pic', $slides($begun));
        self::assertSame(['Sue’s', ['Sue']], [Fields::of($begun)->object('story')->text('title'), $begun['makers']]);
        $this->edit(Fields::of($begun)->id('id'), ['do' => 'delete slides', 'slides' => ['pic']]);
        self::assertContains('pic', $slides($this->as('tara')->told('GET', "/api/stories/{$ready}")));
        // A group's too.
        $group = Fields::of($this->as('tara')->told('POST', "/api/assignments/{$this->assignment->id}/groups", ['students' => [$this->id('sam'), $this->id('sue')]], 201))->id('story');
        self::assertContains('pic', $slides($this->as('sam')->told('GET', "/api/stories/{$group}")));
        // What was thrown away since, or is laid away again, is not begun with.
        $this->as('tara')->ask('DELETE', "/api/stories/{$ready}");
        self::assertNotContains('pic', $slides($this->as('sue')->told('POST', '/api/stories', ['title' => 'Sue’s', 'assignment' => (string) $this->assignment->id], 201)));
        self::assertNull($this->as('tara')->told('PUT', $told, ['story' => null])['beginning']);
    }
}
