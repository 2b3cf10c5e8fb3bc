<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Story\Story;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** Parents watch what a class screens, by a link. */
final class EveningTest extends AppTestCase
{
    /** @var array<string, string> by their makers */
    private array $handIns = [];

    protected function setUp(): void
    {
        parent::setUp();
        foreach (['sam' => HandInState::Accepted, 'sue' => HandInState::Returned] as $who => $state) {
            $record = new StoryRecord($this->people[$who], new Story("The {$who} film"), $this->assignment);
            $film = new FilmRecord($record);
            $film->state = FilmState::Done;
            $film->seconds = 61;
            $handIn = new HandIn($this->assignment, $this->people[$who], $record, $film, 1);
            $handIn->state = $state;
            foreach ([$record, $film, $handIn] as $one) {
                $this->entities()->persist($one);
            }
            self::service(Store::class)->write($film->video(), 'a film');
            self::service(Store::class)->write($film->captions(), 'WEBVTT');
            $this->handIns[$who] = (string) $handIn->id;
        }
        $this->entities()->flush();
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    /** @return string what stands behind the # of the link */
    private function link(): string
    {
        return Fields::of($this->as('tara')->told('PUT', "/api/assignments/{$this->assignment->id}/evening"))->text('code');
    }

    public function testWhoeverHasTheLinkWatchesWhatIsScreenedAndNobodyIsNamed(): void
    {
        $code = $this->link();
        self::assertSame($code, $this->link(), 'made twice it is the same');
        $told = $this->as('tara')->told('GET', "/api/assignments/{$this->assignment->id}");
        self::assertSame($code, Fields::of($told)->object('evening')->text('code'));
        self::assertNull($this->as('hugo')->told('GET', "/api/assignments/{$this->assignment->id}")['evening'], 'a helper does not hand it out');

        $evening = $this->as(null)->told('GET', "/api/evenings/{$code}");
        self::assertEquals([['id' => $this->handIns['sam'], 'title' => 'The sam film', 'seconds' => 61.0]], array_map(static fn(Fields $one): array => $one->all(), Fields::of($evening)->objects('films')));
        [$id, $query] = explode('?', $code);
        foreach (['film' => 'video/mp4', 'captions.vtt' => 'text/vtt; charset=utf-8'] as $file => $type) {
            $response = $this->ask('GET', "/api/evenings/{$id}/films/{$this->handIns['sam']}/{$file}?{$query}");
            self::assertSame([200, $type], [$response->getStatusCode(), $response->headers->get('Content-Type')]);
            self::assertStringStartsWith('/_store/films/', (string) $response->headers->get('X-Accel-Redirect'));
            // What is not screened is not theirs.
            self::assertSame(404, $this->ask('GET', "/api/evenings/{$id}/films/{$this->handIns['sue']}/{$file}?{$query}")->getStatusCode());
            self::assertSame(404, $this->ask('GET', "/api/evenings/{$id}/films/{$id}/{$file}?{$query}")->getStatusCode());
        }
        // What is chosen later is shown by the same link.
        $this->as('tara')->told('PUT', "/api/assignments/{$this->assignment->id}/screening", ['films' => array_values($this->handIns)]);
        self::assertCount(2, Fields::of($this->as(null)->told('GET', "/api/evenings/{$code}"))->objects('films'));
        $this->told('GET', "/api/handins/{$this->handIns['sam']}", null, 401);
    }

    public function testALinkIsGoodForATimeAndUntilItIsTakenBack(): void
    {
        $code = $this->link();
        Clock::set(new MockClock('+13 days'));
        $this->as(null)->told('GET', "/api/evenings/{$code}");
        Clock::set(new MockClock('+15 days'));
        $this->told('GET', "/api/evenings/{$code}", null, 404);
        self::assertNull($this->as('tara')->told('GET', "/api/assignments/{$this->assignment->id}")['evening']);
        $next = $this->link();
        self::assertNotSame($code, $next);
        $this->as(null)->told('GET', "/api/evenings/{$next}");
        foreach (['once', 'twice'] as $time) {
            self::assertSame(204, $this->as('tara')->ask('DELETE', "/api/assignments/{$this->assignment->id}/evening")->getStatusCode(), $time);
        }
        $this->as(null)->told('GET', "/api/evenings/{$next}", null, 404);
        // One that is made anew does not bring the old one back.
        Clock::set(new MockClock('+16 days'));
        $third = $this->link();
        $this->as(null)->told('GET', "/api/evenings/{$next}", null, 404);
        $this->told('GET', "/api/evenings/{$third}");
        // With the task it is put away.
        $this->as('tara')->ask('DELETE', "/api/assignments/{$this->assignment->id}");
        $this->as(null)->told('GET', "/api/evenings/{$third}", null, 404);
    }

    public function testWhatIsNotSignedIsRefused(): void
    {
        $code = $this->link();
        [$id, $query] = explode('?', $code);
        parse_str($query, $parts);
        $other = (string) $this->people['sam']->id;
        $later = http_build_query(['_expiration' => 9_999_999_999] + $parts);
        $this->as(null);
        foreach ([
            'without anything' => $id, 'an empty hash' => $id . '?' . http_build_query(['_hash' => ''] + $parts),
            'another time' => "{$id}?{$later}", 'more than was signed' => "{$code}&all=1",
            'another task' => "{$other}?{$query}", 'another hash' => substr($code, 0, -1) . ('A' === substr($code, -1) ? 'B' : 'A'),
            'a list' => "{$id}?_expiration[]=1&_hash[]=2",
        ] as $what => $wrong) {
            $this->client->request('GET', "/api/evenings/{$wrong}");
            self::assertSame(404, $this->client->getResponse()->getStatusCode(), $what);
            $film = str_replace('?', "/films/{$this->handIns['sam']}/film?", str_contains($wrong, '?') ? $wrong : "{$wrong}?");
            $this->client->request('GET', "/api/evenings/{$film}");
            self::assertSame(404, $this->client->getResponse()->getStatusCode(), $what);
        }
    }
}
