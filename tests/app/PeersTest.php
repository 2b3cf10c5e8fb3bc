<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\Core\Document\Fields;

/** The students of a class answer each other. */
final class PeersTest extends AppTestCase
{
    /** @var array<string, string> by their makers */
    private array $handIns = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->assignment->peers = 2;
        foreach (['sam', 'sue'] as $who) {
            $this->handIns[$who] = (string) $this->handsIn($who)->id;
        }
        $this->entities()->persist(new Remark($this->entities()->find(HandIn::class, $this->handIns['sam']) ?? self::fail(), $this->people['tara'], 0, '', 'For Sam alone'));
        $this->entities()->flush();
    }

    private function deal(): void
    {
        self::assertSame(204, $this->as('tara')->ask('POST', "/api/assignments/{$this->assignment->id}/peers")->getStatusCode());
    }

    /** @return array{string, string} hand-in and what is said of it: Sue says it of Sam's film */
    private function said(): array
    {
        $this->deal();
        $path = "/api/handins/{$this->handIns['sam']}";
        $this->as('sue')->told('PUT', "{$path}/peer", ['liked' => ' The moon. ', 'wondered' => 'Who turns the wheel?']);

        return [$path, "{$path}/peers/{$this->people['sue']->id}/shown"];
    }

    /** @return list<array<string, mixed>> what somebody reads of what was said */
    private function read(string $who, string $path): array
    {
        return array_map(static fn(Fields $one): array => $one->all(), Fields::of($this->as($who)->told('GET', $path))->objects('peers'));
    }

    public function testDealtTwiceItIsDealtOnce(): void
    {
        $this->as('sue')->told('GET', "/api/handins/{$this->handIns['sam']}", null, 404);
        $this->deal();
        $this->deal();
        self::assertSame(['dealt' => 2, 'written' => 0, 'held' => 0], $this->told('GET', "/api/assignments/{$this->assignment->id}")['peers']);
        $desk = Fields::of($this->as('sue')->told('GET', '/api/desk'))->objects('toAnswer');
        self::assertSame([[$this->handIns['sam'], false]], array_map(static fn(Fields $one): array => [$one->id('id'), $one->raw('isWritten')], $desk));
        // They see the film, and nothing that was said to who made it.
        $view = $this->told('GET', "/api/handins/{$this->handIns['sam']}");
        self::assertSame([[], [], null, [], ['Sam']], [$view['remarks'], $view['facts'], $view['marks'], $view['peers'], $view['makers']]);
        self::assertSame([false, false, false], [$view['mayAnswer'], $view['mayRemark'], $view['mayWithdraw']]);
        $this->told('POST', "/api/handins/{$this->handIns['sam']}/remarks", ['seconds' => 0, 'text' => 'x'], 404);
    }

    public function testWhoeverTeachesReadsItFirst(): void
    {
        [$path, $shown] = $this->said();
        self::assertSame([], $this->read('sam', $path), 'not yet');
        $said = $this->read('hugo', $path);
        self::assertSame([['The moon.', 'Who turns the wheel?', false]], array_map(static fn(array $one): array => [$one['liked'], $one['wondered'], $one['isShown']], $said));
        self::assertSame(['dealt' => 2, 'written' => 1, 'held' => 1], $this->told('GET', "/api/assignments/{$this->assignment->id}")['peers']);
        // It may be said otherwise until it is read.
        $this->as('sue')->told('PUT', "{$path}/peer", ['liked' => 'The moon!', 'wondered' => 'Who turns the wheel?']);
        $this->as('tara')->told('PUT', $shown);
        $this->told('PUT', $shown);
        self::assertSame(['The moon!'], array_column($this->read('sam', $path), 'liked'));
        self::assertSame('peer.shown', $this->as('sue')->told('PUT', "{$path}/peer", ['liked' => 'No', 'wondered' => 'No'], 409)['code']);
        // What was sent twice is no change.
        $this->told('PUT', "{$path}/peer", ['liked' => 'The moon!', 'wondered' => 'Who turns the wheel?']);
        $this->as('tara')->told('DELETE', $shown);
        self::assertSame([], $this->read('sam', $path), 'taken back');
    }

    public function testWhereNobodyReadsItFirstItIsReadAtOnce(): void
    {
        $this->assignment->peersHeld = false;
        $this->entities()->flush();
        [$path] = $this->said();
        self::assertSame(['Sue'], array_column($this->read('sam', $path), 'name'));
    }

    public function testWhatCannotBeIsRefused(): void
    {
        $this->deal();
        $path = "/api/handins/{$this->handIns['sam']}";
        foreach ([['liked' => ' ', 'wondered' => 'x'], ['liked' => 'x'], ['liked' => 'x', 'wondered' => str_repeat('x', 1001)]] as $body) {
            $this->as('sue')->told('PUT', "{$path}/peer", $body, 422);
        }
        $this->as('sam')->told('PUT', "{$path}/peer", ['liked' => 'x', 'wondered' => 'x'], 404);
        self::assertSame('peer.not-written', $this->as('tara')->told('PUT', "{$path}/peers/{$this->people['sue']->id}/shown", null, 409)['code']);
        $this->told('PUT', "{$path}/peers/{$this->people['sam']->id}/shown", null, 404);
        // What is taken back is nobody else's to see.
        $this->as('sam')->told('POST', "{$path}/withdraw");
        $this->as('sue')->told('GET', $path, null, 404);
        self::assertSame([], Fields::of($this->told('GET', '/api/desk'))->objects('toAnswer'));
    }

    public function testNothingIsDealtWhereNobodyAnswersEachOther(): void
    {
        $this->assignment->peers = 0;
        $this->entities()->flush();
        self::assertSame('peer.off', $this->as('tara')->told('POST', "/api/assignments/{$this->assignment->id}/peers", null, 409)['code']);
    }

    public function testWhoseFilmItIsIsHiddenFromThemToo(): void
    {
        $this->assignment->hidesNames = true;
        $this->entities()->flush();
        $this->deal();
        self::assertSame([], $this->as('sue')->told('GET', "/api/handins/{$this->handIns['sam']}")['makers']);
    }
}
