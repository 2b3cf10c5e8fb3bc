<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\Core\Document\Fields;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** What waits for somebody, what they have read of what is said; and the thank-yous of a class. */
final class NewsTest extends AppTestCase
{
    /** @var array<string, string> by their makers */
    private array $handIns = [];

    protected function setUp(): void
    {
        parent::setUp();
        foreach (['sam', 'sue'] as $who) {
            $this->handIns[$who] = (string) $this->handsIn($who)->id;
        }
        $this->assignment->peers = 1;
        $this->assignment->peersHeld = true;
        $this->entities()->flush();
        $this->entities()->clear();
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    /** @return list<string> what somebody is told, in short */
    private function news(string $who): array
    {
        $all = Fields::of(['all' => $this->as($who)->told('GET', '/api/news')])->objects('all');

        return array_map(static fn(Fields $one): string => "{$one->text('kind')} {$one->text('title')} {$one->whole('count', 0, 99)}", $all);
    }

    /** @return list<string> */
    private function unread(string $who, string $whose): array
    {
        $unread = $this->as($who)->told('GET', "/api/handins/{$this->handIns[$whose]}")['unread'];

        return array_values(array_filter(\is_array($unread) ? $unread : [], \is_string(...)));
    }

    public function testWhatIsSaidIsNewUntilItIsRead(): void
    {
        $path = "/api/handins/{$this->handIns['sam']}";
        self::assertSame([], $this->news('sam'));
        $this->as('tara')->told('POST', "{$path}/remarks", ['seconds' => 1, 'text' => 'One'], 201);
        $this->told('POST', "{$path}/remarks", ['seconds' => 1, 'text' => 'Another of the same second'], 201);
        self::assertSame(['said By sam 2'], $this->news('sam'));
        $read = $this->unread('sam', 'sam');
        self::assertCount(2, $read);
        // What comes while somebody reads is not read by that.
        $this->as('hugo')->told('POST', "{$path}/remarks", ['seconds' => 2, 'text' => 'Meanwhile'], 201);
        foreach ([1, 2] as $_) {
            self::assertSame(204, $this->as('sam')->ask('POST', "{$path}/read", json_encode(['read' => [...$read, 'nothing of the kind']]) ?: '')->getStatusCode());
        }
        self::assertSame(['said By sam 1'], $this->news('sam'));
        $this->as('tara')->told('POST', "{$path}/answer", ['state' => 'returned', 'answer' => 'Mend it.']);
        self::assertSame(['said By sam 2'], $this->news('sam'));
        $this->ask('POST', "{$path}/read", json_encode(['read' => $this->unread('sam', 'sam')]) ?: '');
        self::assertSame([], $this->news('sam'));
        self::assertSame([], $this->unread('sam', 'sam'));
        self::assertSame([], $this->unread('tara', 'sam'), 'it is new to who made it');
        $this->as('sam')->told('POST', "{$path}/read", ['read' => [7]], 422);
        $this->told('POST', "{$path}/read", ['read' => array_fill(0, 2001, 'x')], 422);
    }

    public function testWhatAnotherOfTheClassSaysIsNewWhenItMayBeRead(): void
    {
        $this->as('tara')->ask('POST', "/api/assignments/{$this->assignment->id}/peers");
        self::assertSame(['to-watch By sam 1'], $this->news('sue'));
        $path = "/api/handins/{$this->handIns['sam']}";
        $this->told('PUT', "{$path}/peer", ['liked' => 'The moon.', 'wondered' => 'Who?']);
        self::assertSame([], $this->news('sue'));
        self::assertSame(['to-watch By sue 1'], $this->news('sam'));
        $this->as('tara')->told('PUT', "{$path}/peers/{$this->people['sue']->id}/shown", null);
        self::assertSame(['said By sam 1', 'to-watch By sue 1'], $this->news('sam'));
    }

    public function testWhoeverTeachesIsToldOfWhatWasHandedIn(): void
    {
        self::assertEqualsCanonicalizing(['handed-in By sam 1', 'handed-in By sue 1'], $this->news('tara'));
        self::assertCount(2, $this->news('hugo'));
        self::assertSame([], $this->news('theo'), 'who teaches another class');
        $this->as('tara')->told('POST', "/api/handins/{$this->handIns['sam']}/open", null);
        self::assertSame(['handed-in By sue 1'], $this->news('tara'));
        // What has waited for long stands on the desk.
        Clock::set(new MockClock('+25 hours'));
        self::assertSame([], $this->news('tara'));
    }

    public function testTheClassSaysThankYouWhileItIsLet(): void
    {
        Clock::set(new MockClock('2026-11-30 10:00:00'));
        $task = "/api/assignments/{$this->assignment->id}";
        [$sams, $sues] = ["/api/handins/{$this->handIns['sam']}", "/api/handins/{$this->handIns['sue']}"];
        $this->as('tara')->told('PUT', "{$task}/screening", ['films' => [$this->handIns['sam']]]);
        $code = self::at($this->as('sue')->told('PUT', "{$sams}/thanks", ['words' => 'Too early'], 409), 'code');
        self::assertSame('thanks.not-now', $code);
        self::assertSame([false, []], [$this->told('GET', "{$task}/watched")['isOpen'], $this->told('GET', "{$task}/watched")['films']]);

        self::assertTrue($this->as('hugo')->told('PUT', "{$task}/thanks", null)['isOpen']);
        self::assertContains("watched {$this->assignment->title} 1", $this->news('sue'));
        foreach ([1, 2] as $_) {
            $mine = Fields::of($this->as('sue')->told('PUT', "{$sams}/thanks", ['words' => '  The heron! ']));
        }
        self::assertSame([[
            'id' => $this->handIns['sam'], 'title' => 'By sam', 'seconds' => 8, 'film' => null, 'isMine' => false, 'isThanked' => true, 'words' => 'The heron!',
        ]], $mine->raw('films'));
        $this->told('PUT', "{$sams}/thanks", ['words' => str_repeat('x', 161)], 422);
        // Nobody thanks for their own, for what is not shown, or from elsewhere.
        $this->told('PUT', "{$sues}/thanks", ['words' => ''], 404);
        $this->as('sam')->told('PUT', "{$sams}/thanks", ['words' => ''], 404);
        $this->as('ben')->told('PUT', "{$sams}/thanks", ['words' => ''], 404);
        self::assertTrue(self::at($this->as('sam')->told('GET', "{$task}/watched"), 'films', 0, 'isMine'));
        self::assertContains('said By sam 1', $this->news('sam'));
        $said = [['person' => (string) $this->people['sue']->id, 'name' => 'Sue', 'words' => 'The heron!']];
        foreach (['sam', 'tara'] as $reader) {
            self::assertSame($said, $this->as($reader)->told('GET', $sams)['thanks'], $reader);
        }
        // What is not kind is left out, and said anew it is there again.
        self::assertSame([], self::at($this->as('tara')->told('DELETE', "{$sams}/thanks/{$this->people['sue']->id}", null), 'films', 0, 'thanks'));
        $this->told('DELETE', "{$sams}/thanks/{$this->people['sue']->id}", null);
        $this->as('sue')->told('PUT', "{$sams}/thanks", ['words' => '']);
        self::assertSame('', self::at($this->told('GET', "{$task}/watched"), 'films', 0, 'words'));
        self::assertNull(self::at($this->told('DELETE', "{$sams}/thanks", null), 'films', 0, 'words'));

        // It closes by itself.
        Clock::set(new MockClock('2026-11-30 13:00:01'));
        $this->told('PUT', "{$sams}/thanks", ['words' => 'Too late'], 409);
        self::assertNotContains('watched', array_map(static fn(string $one): string => explode(' ', $one)[0], $this->news('sue')));
        $this->as('tara')->told('PUT', "{$task}/thanks", null);
        self::assertFalse($this->told('DELETE', "{$task}/thanks", null)['isOpen']);
    }

    /** Where a task lets it, and nowhere else: what is accepted, for who is in the class. */
    public function testTheClassMayWatchWhatIsAccepted(): void
    {
        $watched = "/api/assignments/{$this->assignment->id}/watched";
        $films = fn(string $who): array => array_map(
            static fn(Fields $one): array => [$one->text('title'), null !== $one->raw('film')],
            Fields::of($this->as($who)->told('GET', $watched))->objects('films'),
        );
        foreach (['sam' => 'accepted', 'sue' => 'returned'] as $who => $state) {
            $this->as('tara')->told('POST', "/api/handins/{$this->handIns[$who]}/answer", ['state' => $state, 'answer' => 'Well.']);
        }
        $sams = StoryTest::text($this->as('sam')->told('GET', "/api/handins/{$this->handIns['sam']}")['film']);
        $sues = StoryTest::text($this->as('sue')->told('GET', "/api/handins/{$this->handIns['sue']}")['film']);
        self::assertSame([], $films('sue'));
        $this->told('GET', "/api/films/{$sams}", null, 404);
        $task = $this->as('tara')->told('GET', "/api/assignments/{$this->assignment->id}")['assignment'];
        self::assertIsArray($task);
        $told = array_intersect_key($task, array_flip(['title', 'task', 'dueOn', 'leastSeconds', 'mostSeconds']));
        $this->told('PUT', "/api/assignments/{$this->assignment->id}", ['classSees' => true] + $told);
        self::assertSame([['By sam', true]], $films('sue'));
        self::assertSame([['By sam', true]], $films('sam'));
        $this->as('sue')->told('GET', "/api/films/{$sams}");
        // What is said to its maker is theirs, and a film that is not accepted too.
        $this->told('GET', "/api/handins/{$this->handIns['sam']}", null, 404);
        $this->as('sam')->told('GET', "/api/films/{$sues}", null, 404);
        $this->as('ben')->told('GET', "/api/films/{$sams}", null, 404);
    }
}
