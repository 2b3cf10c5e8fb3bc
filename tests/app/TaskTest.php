<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Rhapsode\App\Classroom\Part;
use Rhapsode\App\Classroom\Teaching;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** What a teacher sets a class. */
final class TaskTest extends AppTestCase
{
    private const TASK = [
        'title' => 'A street', 'task' => 'Tell of one street.', 'dueOn' => '2030-02-28', 'leastSeconds' => 30, 'mostSeconds' => 90,
        'leastSlides' => 3, 'mostSlides' => 6, 'asked' => ['voice', 'title', 'voice'],
    ];

    /** @return list<string> what is due for whoever is signed in */
    private function due(): array
    {
        return array_map(static fn(Fields $one): string => $one->text('title'), Fields::of($this->told('GET', '/api/desk'))->objects('assignments'));
    }

    public function testATaskIsSetAndStandsOnTheDesksOfItsClass(): void
    {
        $set = $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/assignments", self::TASK, 201);
        self::assertSame(['title', 'voice'], $set['asked']);
        self::assertEquals(['asked' => ['title', 'voice']] + self::TASK, array_intersect_key($set, self::TASK));
        self::assertSame((string) $this->classroom->id, $set['classId']);
        self::assertSame(['Tell it', 'A street'], $this->as('sam')->due());
        self::assertSame([], $this->as('ben')->due());
        // What is told anew is what counts.
        $changed = $this->as('tara')->told('PUT', '/api/assignments/' . $this->id($set), [
            'title' => ' A lane ', 'task' => '', 'dueOn' => '2030-03-01', 'leastSeconds' => 0, 'mostSeconds' => 60,
        ]);
        self::assertSame('A lane', $changed['title']);
        self::assertSame('A lane', Fields::of($this->told('GET', '/api/assignments/' . $this->id($set)))->object('assignment')->text('title'));
        self::assertSame([null, null, []], [$changed['leastSlides'], $changed['mostSlides'], $changed['asked']]);
    }

    public function testProofHoldsAStoryToIt(): void
    {
        $set = $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/assignments", self::TASK, 201);
        $story = Fields::of($this->as('sam')->told('POST', '/api/stories', ['title' => 'Ours', 'assignment' => $this->id($set)], 201));
        $this->bringIn($story->id('id'), self::newPicture());
        $rules = static fn(Fields $view): array => array_map(static fn(Fields $one): string => $one->text('rule'), $view->objects('proof'));
        $view = Fields::of($this->told('GET', "/api/stories/{$story->id('id')}"));
        self::assertSame(['few-slides', 'not-spoken'], array_values(array_intersect($rules($view), ['few-slides', 'many-slides', 'not-spoken', 'not-written'])));
        $this->as('tara')->told('PUT', '/api/assignments/' . $this->id($set), ['leastSlides' => 1, 'mostSlides' => 1, 'asked' => ['words']] + self::TASK);
        $view = Fields::of($this->as('sam')->told('GET', "/api/stories/{$story->id('id')}"));
        self::assertSame(['many-slides', 'not-written'], array_values(array_intersect($rules($view), ['few-slides', 'many-slides', 'not-spoken', 'not-written'])));
    }

    public function testATaskIsPutAwayAndBroughtBack(): void
    {
        $path = "/api/assignments/{$this->assignment->id}";
        foreach ([1, 2] as $_) {
            self::assertSame(204, $this->as('tara')->ask('DELETE', $path)->getStatusCode());
        }
        self::assertSame([], Fields::of($this->told('GET', '/api/desk'))->objects('classrooms')[0]->objects('assignments'));
        self::assertSame([], $this->as('sam')->due());
        $this->told('POST', "{$path}/handins", ['film' => 'x'], 404);
        // What was handed in is still there to be answered.
        $this->as('tara')->told('GET', $path);
        // It stands with its class, for whoever teaches it.
        $class = "/api/classes/{$this->classroom->id}";
        $away = static fn(array $told): array => array_column((array) $told['tasks'], 'isPutAway', 'title');
        self::assertTrue($away($this->as('hugo')->told('GET', $class))['Tell it']);
        self::assertSame([], $away($this->as('ada')->told('GET', $class)));
        self::assertSame(204, $this->as('tara')->ask('POST', "{$path}/restore")->getStatusCode());
        self::assertFalse($away($this->told('GET', $class))['Tell it']);
        self::assertSame(['Tell it'], $this->as('sam')->due());
    }

    public function testATaskIsCopiedToAnotherClassThatOneLeads(): void
    {
        $set = $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/assignments", self::TASK, 201);
        $path = '/api/assignments/' . $this->id($set);
        $this->told('PUT', "{$path}/letters", ['letters' => 60]);
        $other = Fields::of($this->told('POST', '/api/classes', ['name' => 'Another'], 201))->id('id');
        $copy = $this->told('POST', "{$path}/copies", ['classroom' => $other], 201);
        self::assertSame(['Another', $other, 60, 3, 6, ['title', 'voice']], [
            $copy['classroom'], $copy['classId'], $copy['letters'], $copy['leastSlides'], $copy['mostSlides'], $copy['asked'],
        ]);
        self::assertNotSame($set['id'], $copy['id']);
        // Whoever helps takes it along to a class of their own, and sets the class that they help nothing.
        $own = Fields::of($this->as('hugo')->told('POST', '/api/classes', ['name' => 'Own'], 201))->id('id');
        $this->told('POST', "{$path}/copies", ['classroom' => $own], 201);
        foreach ([$other, (string) $this->classroom->id, 'nonsense'] as $notTheirs) {
            $this->told('POST', "{$path}/copies", ['classroom' => $notTheirs], 404);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no title' => [['title' => ' '], 'field.empty'];
        yield 'a long title' => [['title' => str_repeat('x', Limits::TITLE + 1)], 'field.too-long'];
        yield 'a long task' => [['task' => str_repeat('x', Limits::TASK + 1)], 'field.too-long'];
        yield 'no day' => [['dueOn' => '30 February'], 'field.day'];
        yield 'a day that is none' => [['dueOn' => '2030-02-30'], 'field.day'];
        yield 'less than nothing' => [['leastSeconds' => -1], 'field.number'];
        yield 'longer than a film may be' => [['mostSeconds' => Limits::ASKED_SECONDS + 1], 'field.number'];
        yield 'the most less than the least' => [['mostSeconds' => 20], 'field.not-under'];
        yield 'no slide' => [['leastSlides' => 0], 'field.number'];
        yield 'fewer slides than the fewest' => [['mostSlides' => 2], 'field.not-under'];
        yield 'what nobody can ask' => [['asked' => ['song']], 'field.invalid'];
    }

    /** @param array<string, mixed> $wrong */
    #[DataProvider('wrong')]
    public function testWhatCannotBeAskedIsRefused(array $wrong, string $said): void
    {
        $code = $this->as('tara')->told('POST', "/api/classes/{$this->classroom->id}/assignments", $wrong + self::TASK, 422)['code'];
        self::assertSame($said, $code);
    }

    public function testSeveralTeachersOfAClassAreOfOneDesk(): void
    {
        $this->classroom->teachings->add(new Teaching($this->people['theo'], $this->classroom, Part::Lead));
        $this->entities()->flush();
        $set = $this->as('theo')->told('POST', "/api/classes/{$this->classroom->id}/assignments", self::TASK, 201);
        $this->as('tara')->told('PUT', '/api/assignments/' . $this->id($set), ['title' => 'Ours'] + self::TASK);
        $this->as('hugo')->told('GET', '/api/assignments/' . $this->id($set));
    }

    /** @param array<string, mixed> $told */
    private function id(array $told): string
    {
        return Fields::of($told)->id('id');
    }
}
