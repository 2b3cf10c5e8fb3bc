<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** Somebody outside the class watches one film, for a time. */
final class GuestTest extends AppTestCase
{
    private string $film;
    private string $remark;
    /** Its second hand-in, which the guest is asked to, and the first. */
    private string $handIn;
    private string $first;

    protected function setUp(): void
    {
        parent::setUp();
        Clock::set(new MockClock('2026-11-29 12:00:00'));
        $record = new StoryRecord($this->people['sam'], new Story('Mine', [new Slide('t')]), $this->assignment);
        $first = new FilmRecord($record);
        $record->write(new Story('Mine', [new Slide('t'), new Slide('u')]));
        $film = new FilmRecord($record);
        $film->state = $first->state = FilmState::Done;
        $film->problems = $first->problems = [];
        $film->seconds = 5;
        $earlier = new HandIn($this->assignment, $this->people['sam'], $record, $first, 1);
        $handIn = new HandIn($this->assignment, $this->people['sam'], $record, $film, 2);
        $remark = new Remark($handIn, $this->people['tara'], 0, 't', 'Look');
        foreach ([$record, $first, $film, $earlier, $handIn, $remark] as $one) {
            $this->entities()->persist($one);
        }
        $this->entities()->flush();
        [$this->film, $this->remark, $this->handIn, $this->first] = [(string) $film->id, (string) $remark->id, (string) $handIn->id, (string) $earlier->id];
        $this->entities()->clear();
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    private function link(string $name = 'Aunt Wil'): string
    {
        return Fields::of($this->as('tara')->told('POST', "/api/handins/{$this->handIn}/guests", ['name' => $name], 201))->text('code');
    }

    public function testAGuestWatchesOneFilmAndSaysSomethingToIt(): void
    {
        $code = $this->link('  Aunt Wil ');
        $in = $this->as(null)->told('POST', '/api/session/card', ['code' => $code]);
        self::assertSame(['Aunt Wil', 'guest'], [$in['firstName'], $in['role']]);
        $desk = $this->told('GET', '/api/desk');
        self::assertSame([['id' => $this->handIn, 'title' => 'Mine']], $desk['toWatch']);
        self::assertSame([[], [], []], [$desk['stories'], $desk['classrooms'], $desk['assignments']]);
        $view = Fields::of($this->told('GET', "/api/handins/{$this->handIn}"));
        self::assertSame([false, true, false], [$view->flag('mayAnswer'), $view->flag('mayRemark'), $view->flag('mayInvite')]);
        self::assertSame([$this->handIn], array_map(static fn(Fields $one): string => $one->id('id'), $view->objects('all')));
        $this->told('GET', "/api/films/{$this->film}");
        $this->told('GET', "/api/handins/{$this->first}", null, 404);
        $said = Fields::of($this->told('POST', "/api/handins/{$this->handIn}/remarks", ['seconds' => 1.5, 'text' => 'I wondered'], 201))->objects('remarks');
        self::assertSame(['Look', 'I wondered'], array_map(static fn(Fields $one): string => $one->text('text'), $said));
        self::assertSame('Aunt Wil', $said[1]->text('author'));
        // What they said themselves is taken back, and nothing else.
        $this->told('DELETE', "/api/handins/{$this->handIn}/remarks/{$this->remark}", null, 404);
        self::assertCount(1, Fields::of($this->told('DELETE', "/api/handins/{$this->handIn}/remarks/" . $said[1]->id('id')))->objects('remarks'));
        $this->told('POST', '/api/stories', ['title' => 'Of mine'], 404);
        // The maker reads it.
        self::assertCount(1, Fields::of($this->as('sam')->told('GET', "/api/handins/{$this->handIn}"))->objects('remarks'));
    }

    public function testItIsForATime(): void
    {
        $code = $this->link();
        $this->as(null)->told('POST', '/api/session/card', ['code' => $code]);
        Clock::get()->sleep(14 * 86_400 - 60);
        $this->told('GET', "/api/handins/{$this->handIn}");
        Clock::get()->sleep(120);
        $this->told('GET', "/api/handins/{$this->handIn}", null, 404);
        $this->told('GET', "/api/films/{$this->film}", null, 404);
        $this->told('POST', "/api/handins/{$this->handIn}/remarks", ['seconds' => 1, 'text' => 'Late'], 404);
        self::assertSame([], $this->told('GET', '/api/desk')['toWatch']);
        self::assertSame('account.wrong-card', $this->as(null)->told('POST', '/api/session/card', ['code' => $code], 401)['code']);
        self::assertSame([], $this->as('tara')->told('GET', "/api/handins/{$this->handIn}/guests"));
    }

    public function testWhoeverAskedThemTakesItBack(): void
    {
        $code = $this->link();
        $this->as(null)->told('POST', '/api/session/card', ['code' => $code]);
        $guest = $this->client->getCookieJar()->all();
        $this->as('tara');
        $asked = Fields::of(['all' => $this->told('GET', "/api/handins/{$this->handIn}/guests")])->objects('all');
        self::assertSame(['Aunt Wil'], array_map(static fn(Fields $one): string => $one->text('name'), $asked));
        $path = "/api/handins/{$this->handIn}/guests/{$asked[0]->id('id')}";
        self::assertSame(204, $this->ask('DELETE', $path)->getStatusCode());
        self::assertSame(204, $this->ask('DELETE', $path)->getStatusCode());
        self::assertSame(404, $this->ask('DELETE', "/api/handins/{$this->first}/guests/{$asked[0]->id('id')}")->getStatusCode());
        $this->as(null);
        foreach ($guest as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        $this->told('GET', "/api/handins/{$this->handIn}", null, 404);
        $this->as(null)->told('POST', '/api/session/card', ['code' => $code], 401);
        // Another school's administrator, a helper and who teaches elsewhere ask nobody.
        foreach (['olga', 'hugo', 'theo', 'ada', 'sam'] as $other) {
            $this->as($other)->told('POST', "/api/handins/{$this->handIn}/guests", ['name' => 'X'], 404);
        }
    }

    public function testThereAreNotTooMany(): void
    {
        for ($n = 0; $n < Limits::GUESTS; ++$n) {
            $this->link("Guest {$n}");
        }
        self::assertSame('guest.too-many', $this->told('POST', "/api/handins/{$this->handIn}/guests", ['name' => 'One more'], 409)['code']);
        $this->told('POST', "/api/handins/{$this->handIn}/guests", ['name' => '  '], 422);
        Clock::get()->sleep(15 * 86_400);
        $this->link('One more');
    }
}
