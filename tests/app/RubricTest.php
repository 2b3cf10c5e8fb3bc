<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Classroom\Rubrics\ShippedRubrics;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Rubric\Rubric;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** A rubric is made once, copied, and filled in beside the film. */
final class RubricTest extends AppTestCase
{
    private string $handIn;

    protected function setUp(): void
    {
        parent::setUp();
        $record = new StoryRecord($this->people['sam'], new Story('Mine', [new Slide('t')]), $this->assignment);
        $film = new FilmRecord($record);
        $film->state = FilmState::Done;
        $film->problems = [];
        $film->seconds = 5;
        $handIn = new HandIn($this->assignment, $this->people['sam'], $record, $film, 1);
        foreach ([$record, $film, $handIn] as $one) {
            $this->entities()->persist($one);
        }
        $this->entities()->flush();
        $this->handIn = (string) $handIn->id;
    }

    /** @return array<string, mixed> */
    private static function rubric(string $title = 'How it is told'): array
    {
        $levels = static fn(int ...$points): array => array_map(static fn(int $one): array => ['sentence' => "Worth {$one}", 'points' => $one], array_values($points));

        return ['title' => $title, 'criteria' => [
            ['id' => 'story', 'name' => 'The story', 'weight' => 3, 'levels' => $levels(4, 2, 0)],
            ['id' => 'voice', 'name' => 'The voice', 'weight' => 1, 'levels' => $levels(4, 1)],
        ]];
    }

    private function path(string $more = ''): string
    {
        return "/api/assignments/{$this->assignment->id}/rubric{$more}";
    }

    private function mark(string $criterion, ?int $level, int $status = 200): Fields
    {
        return Fields::of($this->told('PUT', "/api/handins/{$this->handIn}/marks/{$criterion}", ['level' => $level], $status));
    }

    public function testThoseThatShipAreRubrics(): void
    {
        $shipped = ShippedRubrics::all();
        self::assertGreaterThanOrEqual(3, \count($shipped));
        self::assertCount(\count($shipped), array_unique(array_map(static fn(Rubric $one): string => $one->title, $shipped)));
        foreach ($shipped as $one) {
            // The better stands first.
            foreach ($one->criteria as $criterion) {
                $points = array_map(static fn($level): int => $level->points, $criterion->levels);
                $sorted = $points;
                rsort($sorted);
                self::assertSame($sorted, $points, $criterion->name);
            }
        }
    }

    public function testItIsMadeOnceAndCopied(): void
    {
        $set = $this->as('tara')->told('PUT', $this->path(), ['rubric' => self::rubric()]);
        self::assertSame(self::rubric(), $set['rubric']);
        $offered = Fields::of($this->told('GET', '/api/rubrics'));
        self::assertSame(['How it is told'], array_map(static fn(Fields $one): string => $one->object('rubric')->text('title'), $offered->objects('own')));
        self::assertNotSame([], $offered->objects('shipped'));
        // Another teacher is offered none of it; the students read what they are marked by.
        self::assertSame([], $this->as('theo')->told('GET', '/api/rubrics')['own']);
        self::assertSame(self::rubric(), Fields::of($this->as('sam')->told('GET', '/api/desk'))->objects('assignments')[0]->raw('rubric'));
        $this->as('tara')->told('PUT', $this->path(), ['rubric' => ['title' => 'x', 'criteria' => []]], 422);
        $this->told('PUT', $this->path(), ['rubric' => null], 422);
        self::assertNull($this->told('DELETE', $this->path())['rubric']);
        self::assertNull($this->told('DELETE', $this->path())['rubric'], 'twice is once');
        self::assertSame('rubric.none', $this->mark('story', 0, 409)->text('code'));
    }

    public function testItIsFilledInAndReadWithTheAnswer(): void
    {
        $this->as('tara')->told('PUT', $this->path(), ['rubric' => self::rubric()]);
        $first = fn(): Fields => Fields::of($this->told('GET', "/api/assignments/{$this->assignment->id}"))->objects('handIns')[0];
        self::assertSame([null, 16], [$first()->raw('points'), $first()->raw('most')], 'nothing is marked yet');
        self::assertSame(0, $this->mark('story', 2)->object('marks')->whole('points', 0, 99));
        self::assertSame(0, $first()->raw('points'));
        $marks = $this->mark('story', 1)->object('marks');
        self::assertSame([6, 16, false], [$marks->whole('points', 0, 99), $marks->whole('most', 0, 99), $marks->flag('isWhole')]);
        // Two teachers at once, each at a criterion: both are kept.
        $marks = Fields::of($this->as('hugo')->told('PUT', "/api/handins/{$this->handIn}/marks/voice", ['level' => 0]))->object('marks');
        self::assertSame(['story' => 1, 'voice' => 0], $marks->raw('levels'));
        self::assertTrue($marks->flag('isWhole'));
        self::assertSame('rubric.no-such-level', $this->mark('story', 3, 422)->text('code'));
        self::assertSame('rubric.no-such-level', $this->mark('other', 0, 422)->text('code'));
        $this->mark('story', -1, 422);
        self::assertSame(4, $this->mark('story', null)->object('marks')->whole('points', 0, 99));
        $this->mark('story', 0);
        $list = Fields::of($this->as('tara')->told('GET', "/api/assignments/{$this->assignment->id}"))->objects('handIns')[0];
        self::assertSame([16, 16], [$list->raw('points'), $list->raw('most')]);
        // Its maker reads it with the answer, and not before.
        self::assertNull($this->as('sam')->told('GET', "/api/handins/{$this->handIn}")['marks']);
        $this->as('tara')->told('POST', "/api/handins/{$this->handIn}/answer", ['state' => 'accepted']);
        $read = Fields::of($this->as('sam')->told('GET', "/api/handins/{$this->handIn}"))->object('marks');
        self::assertSame(16, $read->whole('points', 0, 99));

        // What was answered keeps what it was marked by.
        $this->as('tara')->told('PUT', $this->path(), ['rubric' => ['title' => 'Another', 'criteria' => [['id' => 'voice', 'name' => 'Voice', 'weight' => 1, 'levels' => [['sentence' => 'Good', 'points' => 2], ['sentence' => 'Less', 'points' => 1]]]]]]);
        $kept = Fields::of($this->as('sam')->told('GET', "/api/handins/{$this->handIn}"))->object('marks');
        self::assertSame(['How it is told', 16], [$kept->object('rubric')->text('title'), $kept->whole('points', 0, 99)]);
        self::assertSame('hand-in.answered', Fields::of($this->as('tara')->told('PUT', "/api/handins/{$this->handIn}/marks/voice", ['level' => 0], 409))->text('code'));
    }

    /** A rubric that is changed while films are being marked keeps what still holds. */
    public function testMarksOutliveAChangeOfTheRubric(): void
    {
        $this->as('tara')->told('PUT', $this->path(), ['rubric' => self::rubric()]);
        $this->mark('story', 0);
        $this->mark('voice', 1);
        $changed = self::rubric('Shorter');
        $changed['criteria'] = [['id' => 'voice', 'name' => 'Voice', 'weight' => 1, 'levels' => [['sentence' => 'Good', 'points' => 2], ['sentence' => 'Less', 'points' => 1]]]];
        $this->told('PUT', $this->path(), ['rubric' => $changed]);
        $marks = Fields::of($this->told('GET', "/api/handins/{$this->handIn}"))->object('marks');
        self::assertSame([['voice' => 1], 1, 2], [$marks->raw('levels'), $marks->raw('points'), $marks->raw('most')]);
        $this->told('DELETE', $this->path());
        self::assertNull($this->told('GET', "/api/handins/{$this->handIn}")['marks']);
    }
}
