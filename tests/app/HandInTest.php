<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Shared\Csv;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** What becomes of a film between student and teacher. */
final class HandInTest extends AppTestCase
{
    private string $film;

    protected function setUp(): void
    {
        parent::setUp();
        $this->film = $this->filmOf(new StoryRecord($this->people['sam'], new Story('Mine', [new Slide('t')]), $this->assignment));
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    private function filmOf(StoryRecord $record): string
    {
        $film = new FilmRecord($record);
        $film->state = FilmState::Done;
        $film->problems = [];
        $film->seconds = 5;
        $this->entities()->persist($record);
        $this->entities()->persist($film);
        $this->entities()->flush();

        return (string) $film->id;
    }

    private function handedIn(?string $film = null): Fields
    {
        return Fields::of($this->as('sam')->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $film ?? $this->film], 201));
    }

    /** @return list<string> what waits for the teacher, by state */
    private function seen(): array
    {
        $list = Fields::of($this->as('tara')->told('GET', "/api/assignments/{$this->assignment->id}"));

        return array_map(static fn(Fields $one): string => $one->text('state'), $list->objects('handIns'));
    }

    public function testItIsTakenBackUntilItIsOpened(): void
    {
        $id = $this->handedIn()->id('id');
        self::assertSame(['handed in'], $this->seen());
        self::assertSame('withdrawn', $this->as('sam')->told('POST', "/api/handins/{$id}/withdraw")['state']);
        self::assertSame('withdrawn', $this->told('POST', "/api/handins/{$id}/withdraw")['state'], 'twice is once');
        self::assertNull(Fields::of($this->told('GET', '/api/desk'))->objects('stories')[0]->raw('handIn'));
        self::assertSame([], $this->seen());
        foreach ([['GET', ''], ['POST', '/open'], ['POST', '/answer'], ['POST', '/remarks'], ['GET', '/guests']] as [$method, $more]) {
            self::assertSame(404, $this->ask($method, "/api/handins/{$id}{$more}", 'GET' === $method ? null : '{}')->getStatusCode(), $more);
        }
        $this->told('GET', "/api/films/{$this->film}", null, 404);
        // The same film again is the same hand-in.
        $again = $this->handedIn();
        self::assertSame([$id, 1, 'handed in'], [$again->id('id'), $again->whole('number', 1, 9), $again->text('state')]);
        self::assertSame('hand-in.film-handed-in-before', $this->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $this->film], 409)['code']);

        self::assertSame('opened', $this->as('hugo')->told('POST', "/api/handins/{$id}/open")['state']);
        self::assertSame(['opened'], $this->seen());
        self::assertSame('hand-in.opened', $this->as('sam')->told('POST', "/api/handins/{$id}/withdraw", null, 409)['code']);
        self::assertSame('returned', $this->as('tara')->told('POST', "/api/handins/{$id}/answer", ['state' => 'returned', 'answer' => 'Mend it.'])['state']);
        self::assertSame('returned', $this->told('POST', "/api/handins/{$id}/open")['state']);
        self::assertSame('hand-in.answered', $this->as('sam')->told('POST', "/api/handins/{$id}/withdraw", null, 409)['code']);
    }

    /** A newer one that was taken back leaves the earlier one standing. */
    public function testWhatWasTakenBackStandsNoMore(): void
    {
        $first = $this->handedIn()->id('id');
        $record = $this->entities()->getRepository(StoryRecord::class)->findOneBy(['title' => 'Mine']);
        self::assertNotNull($record);
        $record->write(new Story('Mine', [new Slide('t'), new Slide('u')]));
        $second = $this->handedIn($this->filmOf($record))->id('id');
        $this->as('sam')->told('POST', "/api/handins/{$second}/withdraw");
        $list = Fields::of($this->as('tara')->told('GET', "/api/assignments/{$this->assignment->id}"))->objects('handIns');
        self::assertSame([$first], array_map(static fn(Fields $one): string => $one->id('id'), $list));
        $all = Fields::of($this->told('GET', "/api/handins/{$first}"))->objects('all');
        self::assertSame([$first], array_map(static fn(Fields $one): string => $one->id('id'), $all));
        // One that is taken back and handed in anew comes behind what came meanwhile.
        $this->as('sam')->told('POST', "/api/handins/{$first}/withdraw");
        self::assertSame([$first, 3], [($anew = $this->handedIn())->id('id'), $anew->whole('number', 1, 9)]);
        $all = Fields::of($this->as('sam')->told('GET', "/api/handins/{$first}"))->objects('all');
        self::assertSame([$second, $first], array_map(static fn(Fields $one): string => $one->id('id'), $all));
    }

    /** By the clock of the school, to the end of the day. */
    public function testThatItIsLateIsAFactAndNoRefusal(): void
    {
        $this->assignment->dueOn = new \DateTimeImmutable('2026-11-20');
        $this->entities()->flush();
        $id = null;
        foreach ([
            ['2026-11-20T23:59:59Z', 'UTC', false],
            ['2026-11-21T00:00:00Z', 'UTC', true],
            ['2026-11-20T23:30:00Z', 'Europe/Vienna', true],
            ['2026-11-21T04:30:00Z', 'America/New_York', false],
            ['2026-11-21T05:30:00Z', 'America/New_York', true],
        ] as [$at, $zone, $isLate]) {
            Clock::set(new MockClock($at));
            $this->as('ada')->told('PUT', '/api/school', ['name' => 'A house', 'zone' => $zone, 'keepsYears' => null]);
            if (null !== $id) {
                $this->as('sam')->told('POST', "/api/handins/{$id}/withdraw");
            }
            $handIn = $this->handedIn();
            $id = $handIn->id('id');
            self::assertSame($isLate, $handIn->flag('isLate'), "{$at} {$zone}");
        }
        $this->as('ada')->told('PUT', '/api/school', ['name' => 'A house', 'zone' => 'Orrin/Hythe', 'keepsYears' => null], 422);
        $this->told('PUT', '/api/school', ['name' => ' ', 'zone' => 'UTC', 'keepsYears' => null], 422);
        self::assertSame('A house', $this->told('GET', '/api/school')['name']);
    }

    /** RFC 4180: a row for each film, and for each student without one; times by the clock of the school. */
    public function testTheClassIsATable(): void
    {
        $this->as('ada')->told('PUT', '/api/school', ['name' => 'A house', 'zone' => 'Asia/Kolkata', 'keepsYears' => null]);
        Clock::set(new MockClock('2026-11-20T22:00:00Z'));
        $this->handedIn();
        $response = $this->as('hugo')->ask('GET', "/api/assignments/{$this->assignment->id}/table.csv");
        self::assertSame('text/csv; charset=utf-8', $response->headers->get('Content-Type'));
        self::assertStringContainsString('attachment', (string) $response->headers->get('Content-Disposition'));
        $rows = Csv::read((string) $response->getContent());
        self::assertSame([['Sam', 'Mine', 'handed in', '2026-11-21 03:30'], ['Sue', '', 'nothing handed in yet', '']], array_map(
            static fn(array $row): array => [$row['Student'] ?? '', $row['Film'] ?? '', $row['State'] ?? '', $row['Handed in'] ?? ''],
            $rows,
        ));
        // Who has left the class since is in it with what they handed in.
        $this->as('tara')->told('DELETE', "/api/classes/{$this->classroom->id}/students/{$this->people['sam']->id}");
        $rows = Csv::read((string) $this->ask('GET', "/api/assignments/{$this->assignment->id}/table.csv")->getContent());
        self::assertSame(['Sue', 'Sam'], array_column($rows, 'Student'));
    }

    public function testNamesAreHiddenUntilEveryFilmIsAnswered(): void
    {
        $this->assignment->hidesNames = true;
        $other = $this->filmOf(new StoryRecord($this->people['sue'], new Story('Hers', [new Slide('t')]), $this->assignment));
        $mine = $this->handedIn()->id('id');
        $hers = Fields::of($this->as('sue')->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $other], 201))->id('id');
        $path = "/api/assignments/{$this->assignment->id}";
        $list = Fields::of($this->as('tara')->told('GET', $path));
        self::assertTrue($list->flag('areNamesHidden'));
        self::assertSame([], $list->raw('students'));
        self::assertSame([[], []], array_map(static fn(Fields $one): mixed => $one->raw('makers'), $list->objects('handIns')));
        self::assertSame($list->raw('handIns'), $this->told('GET', $path)['handIns'], 'the order is the same each time');
        self::assertSame([], $this->told('GET', "/api/handins/{$mine}")['makers']);
        self::assertSame('hand-in.names-hidden', $this->told('GET', "{$path}/table.csv", null, 409)['code']);
        self::assertSame(['Sam'], $this->as('sam')->told('GET', "/api/handins/{$mine}")['makers'], 'one’s own is one’s own');
        foreach ([$mine, $hers] as $n => $one) {
            $told = $this->as('tara')->told('POST', "/api/handins/{$one}/answer", ['state' => 'accepted']);
            self::assertSame([[], ['Sue']][$n], $told['makers']);
        }
        $list = Fields::of($this->told('GET', $path));
        self::assertFalse($list->flag('areNamesHidden'));
        self::assertEqualsCanonicalizing([['Sam'], ['Sue']], array_map(static fn(Fields $one): mixed => $one->raw('makers'), $list->objects('handIns')));
        self::assertSame(200, $this->ask('GET', "{$path}/table.csv")->getStatusCode());
    }

    public function testARemarkIsOfAMomentOrOfAStretch(): void
    {
        $id = $this->handedIn()->id('id');
        $this->as('tara');
        $remark = fn(array $more, int $status = 201): Fields => Fields::of($this->told('POST', "/api/handins/{$id}/remarks", ['text' => 'Look', 'seconds' => $more['seconds'] ?? 0.0, 'until' => $more['until'] ?? null], $status));
        $remark(['seconds' => 1.0, 'until' => 2.5]);
        $remark(['seconds' => 2.0]);
        $remark(['seconds' => 3.0, 'until' => 99.0]);
        // Beyond its end a film has no stretch.
        $all = $remark(['seconds' => 98.0, 'until' => 99.0])->objects('remarks');
        self::assertSame([[1, 2.5], [2, null], [3, 5], [5, null]], array_map(static fn(Fields $one): array => [$one->raw('seconds'), $one->raw('until')], $all));
        $remark(['seconds' => 2.0, 'until' => 2.0], 422);
        $remark(['seconds' => 2.0, 'until' => 1.0], 422);
    }

    /** What changed since the hand-in before, and what was said of that one, to be ticked off by both. */
    public function testTheNextHandInSaysWhatChanged(): void
    {
        $first = $this->handedIn()->id('id');
        self::assertNull($this->as('tara')->told('GET', "/api/handins/{$first}")['before']);
        $remark = Fields::of($this->told('POST', "/api/handins/{$first}/remarks", ['seconds' => 1, 'text' => 'Say more here'], 201))->objects('remarks')[0]->id('id');
        $this->told('POST', "/api/handins/{$first}/answer", ['state' => 'returned', 'answer' => 'Mend it.']);
        $record = $this->entities()->getRepository(StoryRecord::class)->findOneBy(['title' => 'Mine']);
        self::assertNotNull($record);
        $record->write(new Story('Mine', [new Slide('t', script: 'More'), new Slide('u')]));
        $second = $this->handedIn($this->filmOf($record))->id('id');
        $before = Fields::of($this->as('tara')->told('GET', "/api/handins/{$second}"))->object('before');
        self::assertSame([$first, 1], [$before->id('id'), $before->whole('number', 1, 9)]);
        self::assertSame([
            ['slide' => 't', 'was' => 1, 'is' => 1, 'kinds' => ['script']],
            ['slide' => 'u', 'was' => null, 'is' => 2, 'kinds' => ['added']],
        ], $before->raw('changes'));
        self::assertFalse($before->objects('remarks')[0]->flag('isDone'));
        $path = "/api/handins/{$first}/remarks/{$remark}/done";
        self::assertTrue($this->as('sam')->told('PUT', $path, ['isDone' => true])['isDone']);
        self::assertTrue(Fields::of($this->as('tara')->told('GET', "/api/handins/{$second}"))->object('before')->objects('remarks')[0]->flag('isDone'));
        self::assertFalse($this->told('PUT', $path, ['isDone' => false])['isDone']);
        $this->told('PUT', "/api/handins/{$second}/remarks/{$remark}/done", ['isDone' => true], 404);
    }

    /** All that are accepted, or those that were chosen, in their order; what does not stand is left out. */
    public function testTheClassWatchesFilmsInAnOrder(): void
    {
        $films = [$this->film];
        foreach (['sue', 'sam', 'sue'] as $n => $who) {
            $films[] = $this->filmOf(new StoryRecord($this->people[$who], new Story("Film {$n}", [new Slide('t')]), $this->assignment));
        }
        $ids = [];
        foreach ($films as $n => $film) {
            Clock::set(new MockClock("2026-11-20 12:0{$n}:00"));
            $who = [0, 1, 0, 1][$n] ? 'sue' : 'sam';
            $ids[] = Fields::of($this->as($who)->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $film], 201))->id('id');
        }
        $this->as('tara');
        $path = "/api/assignments/{$this->assignment->id}";
        $seen = fn(): mixed => $this->told('GET', $path)['screening'];
        self::assertSame([], $seen());
        foreach ([0, 2, 3] as $n) {
            $this->told('POST', "/api/handins/{$ids[$n]}/answer", ['state' => 'accepted']);
        }
        self::assertSame([$ids[0], $ids[2], $ids[3]], $seen());
        $chosen = [$ids[3], $ids[1], $ids[0]];
        self::assertSame($chosen, $this->as('hugo')->told('PUT', "{$path}/screening", ['films' => [...$chosen, '01a2b3c4-0000-7000-8000-000000000000']])['films']);
        self::assertSame($chosen, $seen());
        $drawn = [];
        for ($n = 0; $n < 40; ++$n) {
            $one = $this->told('POST', "{$path}/screening/lot")['films'];
            self::assertEqualsCanonicalizing($chosen, $one);
            $drawn[json_encode($one, \JSON_THROW_ON_ERROR)] = true;
        }
        self::assertGreaterThan(3, \count($drawn), 'six orders, drawn forty times');
        // What is taken back is not watched.
        $this->told('PUT', "{$path}/screening", ['films' => $chosen]);
        $this->as('sue')->told('POST', "/api/handins/{$ids[1]}/withdraw");
        $this->as('tara');
        self::assertSame([$ids[3], $ids[0]], $seen());
        $this->told('PUT', "{$path}/screening", ['films' => [$ids[0], $ids[0]]], 422);
        $this->told('PUT', "{$path}/screening", ['films' => ['x']], 422);
        $this->told('PUT', "{$path}/screening", ['films' => []]);
        self::assertSame([], $seen());
    }

    /** A teacher's own sentences: kept once, however often, and nobody else's. */
    public function testSentencesAreKept(): void
    {
        $keep = fn(string $text, int $status = 201): array => $this->told('POST', '/api/sentences', ['text' => $text], $status);
        $this->as('tara');
        $one = $keep('  Where did you see this? ');
        self::assertSame($one, $keep('Where did you see this?'));
        $keep('A little slower.');
        $keep(' ', 422);
        $texts = fn(): array => array_column(array_map(static fn(mixed $one): array => (array) $one, $this->told('GET', '/api/sentences')), 'text');
        self::assertSame(['Where did you see this?', 'A little slower.'], $texts());
        $path = '/api/sentences/' . Fields::of($one)->id('id');
        $this->as('hugo');
        self::assertSame([], $texts());
        self::assertSame(204, $this->ask('DELETE', $path)->getStatusCode());
        $this->as('tara');
        self::assertCount(2, $texts());
        self::assertSame(204, $this->ask('DELETE', $path)->getStatusCode());
        self::assertSame(204, $this->ask('DELETE', $path)->getStatusCode(), 'twice is once');
        self::assertSame(['A little slower.'], $texts());
        for ($n = 1; $n < Limits::SENTENCES; ++$n) {
            $keep("Sentence {$n}");
        }
        self::assertSame('sentences.too-many', $keep('One more', 409)['code']);
    }

    public function testATeacherTakesNoMoreFilmsAndTakesThemAgain(): void
    {
        $path = "/api/assignments/{$this->assignment->id}/closed";
        self::assertTrue($this->as('tara')->told('PUT', $path)['isClosed']);
        self::assertTrue($this->told('PUT', $path)['isClosed'], 'twice is once');
        self::assertSame('hand-in.closed', $this->as('sam')->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $this->film], 409)['code']);
        self::assertFalse($this->as('tara')->told('DELETE', $path)['isClosed']);
        $this->handedIn();
    }
}
