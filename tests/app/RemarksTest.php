<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\HandIn\Spoken\SpokenSweeper;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Document\Fields;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** Remarks that are spoken, and drawn on the picture. */
final class RemarksTest extends AppTestCase
{
    private string $path;
    private string $other;

    protected function setUp(): void
    {
        parent::setUp();
        [$sams, $sues] = [$this->handsIn('sam'), $this->handsIn('sue')];
        $this->entities()->persist(new PeerAnswer($sams, $this->people['sue']));
        [$this->path, $this->other] = ["/api/handins/{$sams->id}", "/api/handins/{$sues->id}"];
        $this->entities()->flush();
        $this->entities()->clear();
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    /** @return string what Tara, or somebody else, spoke of Sam's film, ready */
    private function spoken(string $who = 'tara'): string
    {
        $asset = StoryTest::text($this->as($who)->told('POST', "{$this->path}/spoken", null, 201)['id']);
        foreach (AssetTest::recording() as $number => $part) {
            self::assertSame(204, $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part)->getStatusCode());
        }
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        self::assertSame('ready', $this->prepared($asset)['state']);

        return $asset;
    }

    /** @param array<string, mixed> $answer */
    private static function code(array $answer): mixed
    {
        return self::at($answer, 'code');
    }

    public function testWhatIsSpokenIsHeardByWhoMadeTheFilm(): void
    {
        $asset = $this->spoken();
        $remark = Fields::of($this->told('POST', "{$this->path}/remarks", ['seconds' => 2, 'spoken' => $asset], 201))->objects('remarks')[0];
        self::assertEqualsWithDelta(3.0, $remark->number('spoken', 0, 10), 0.1);
        self::assertSame('', $remark->text('text'));
        $voice = "{$this->path}/remarks/{$remark->id('id')}/voice.flac";
        foreach (['tara' => 200, 'hugo' => 200, 'sam' => 200, 'sue' => 404, 'theo' => 404] as $who => $status) {
            $heard = $this->as($who)->ask('GET', $voice);
            self::assertSame($status, $heard->getStatusCode(), $who);
            self::assertSame(200 === $status ? "/_store/takes/{$asset}/take.flac" : null, $heard->headers->get('X-Accel-Redirect'));
        }
        // Taken back, nothing of it stays.
        $this->as('tara')->told('DELETE', "{$this->path}/remarks/{$remark->id('id')}");
        self::assertSame(404, $this->ask('GET', $voice)->getStatusCode());
        self::assertNull($this->entities()->find(AssetRecord::class, $asset));
        self::assertFalse(self::service(Store::class)->has(AssetFiles::voice($asset)));
    }

    public function testItIsSaidOnceByWhoSpokeItAndOfThisFilm(): void
    {
        $asset = $this->spoken();
        $said = ['seconds' => 1, 'text' => 'Hear this', 'spoken' => $asset];
        self::assertSame('hand-in.not-heard', self::code($this->as('hugo')->told('POST', "{$this->path}/remarks", $said, 409)));
        self::assertSame('hand-in.not-heard', self::code($this->as('tara')->told('POST', "{$this->other}/remarks", $said, 409)));
        $this->told('POST', "{$this->path}/remarks", $said, 201);
        self::assertSame('hand-in.not-heard', self::code($this->told('POST', "{$this->path}/remarks", $said, 409)));
        self::assertCount(1, Fields::of($this->told('GET', $this->path))->objects('remarks'));
        // What is not sent yet is not said.
        $asset = StoryTest::text($this->told('POST', "{$this->path}/spoken", null, 201)['id']);
        self::assertSame('hand-in.not-heard', self::code($this->told('POST', "{$this->path}/remarks", ['spoken' => $asset] + $said, 409)));
        $this->told('POST', "{$this->path}/remarks", ['spoken' => 'no id at all'] + $said, 422);
        // Who watches it by lot, and who made it, do not speak of it here.
        foreach (['sue', 'sam', 'theo'] as $who) {
            $this->as($who)->told('POST', "{$this->path}/spoken", null, 404);
        }
        // Once it is answered nothing more is said.
        $this->as('tara')->told('POST', "{$this->path}/answer", ['state' => 'accepted']);
        self::assertSame('hand-in.answered', self::code($this->told('POST', "{$this->path}/spoken", null, 409)));
    }

    public function testNothingIsNoRemark(): void
    {
        $this->as('tara');
        foreach ([['seconds' => 1], ['seconds' => 1, 'text' => '  '], ['seconds' => 1, 'mark' => ['form' => 'ring', 'x' => 0, 'y' => 0, 'toX' => 1, 'toY' => 1]]] as $nothing) {
            self::assertSame('hand-in.nothing-said', self::at($this->told('POST', "{$this->path}/remarks", $nothing, 422), 'code'));
        }
    }

    public function testAMarkIsDrawnBesideIt(): void
    {
        $mark = ['form' => 'ring', 'x' => 0.6, 'y' => 0.7, 'toX' => 0.25, 'toY' => 0.5];
        $this->as('tara')->told('POST', "{$this->path}/remarks", ['seconds' => 1, 'text' => 'Who is this?', 'mark' => $mark], 201);
        $read = Fields::of($this->as('sam')->told('GET', $this->path))->objects('remarks')[0];
        self::assertSame(['form' => 'ring', 'x' => 0.25, 'y' => 0.5, 'toX' => 0.6, 'toY' => 0.7], $read->raw('mark'));
        self::assertNull($read->raw('spoken'));
        foreach ([['form' => 'star'], ['toX' => 7], ['toX' => 0.6, 'toY' => 0.7], ['x' => '<b>']] as $wrong) {
            $this->as('tara')->told('POST', "{$this->path}/remarks", ['seconds' => 1, 'text' => 'No', 'mark' => $wrong + $mark], 422);
        }
        self::assertCount(1, Fields::of($this->told('GET', $this->path))->objects('remarks'));
    }

    public function testWhatWasSpokenAndNeverSaidGoesAfterADay(): void
    {
        $said = $this->spoken();
        $this->told('POST', "{$this->path}/remarks", ['seconds' => 1, 'spoken' => $said], 201);
        $left = $this->spoken('hugo');
        $sweeper = self::service(SpokenSweeper::class);
        self::assertSame(0, $sweeper->sweep());
        Clock::set(new MockClock('+25 hours'));
        self::assertSame(1, $sweeper->sweep());
        $this->entities()->clear();
        self::assertNull($this->entities()->find(AssetRecord::class, $left));
        self::assertFalse(self::service(Store::class)->has(AssetFiles::voice($left)));
        self::assertTrue(self::service(Store::class)->has(AssetFiles::voice($said)));
        self::assertCount(1, $this->entities()->getRepository(Remark::class)->findAll());
    }
}
