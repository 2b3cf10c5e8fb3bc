<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Rubric\Distribution;
use Rhapsode\Core\Rubric\Marks;
use Rhapsode\Core\Rubric\Rubric;

final class RubricTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function criterion(string $id, int $weight, int ...$points): array
    {
        return ['id' => $id, 'name' => "What {$id} is", 'weight' => $weight, 'levels' => array_map(
            static fn(int $one): array => ['sentence' => "Worth {$one}", 'points' => $one],
            array_values($points),
        )];
    }

    private static function rubric(): Rubric
    {
        return Rubric::read(Fields::of(['title' => ' A told story ', 'criteria' => [
            self::criterion('story', 3, 0, 2, 4),
            self::criterion('voice', 1, 4, 1),
            self::criterion('sources', 2, 0, 5),
        ]]));
    }

    public function testTheTotalFollows(): void
    {
        $rubric = self::rubric();
        self::assertSame('A told story', $rubric->title);
        self::assertSame(3 * 4 + 4 + 2 * 5, $rubric->most());
        $marks = Marks::of($rubric, ['story' => 1, 'voice' => 0, 'sources' => 1]);
        self::assertSame(3 * 2 + 4 + 2 * 5, $marks->points());
        self::assertTrue($marks->isWhole());
        $half = Marks::of($rubric, ['voice' => 1, 'story' => null]);
        self::assertSame([1, false], [$half->points(), $half->isWhole()]);
        self::assertSame('{}', json_encode(Marks::of($rubric, [])->toArray()['levels']));
        self::assertSame(['voice' => 1], $half->toArray()['levels']);
    }

    public function testWhatIsReadIsWrittenAlike(): void
    {
        $written = self::rubric()->toArray();
        self::assertSame($written, Rubric::read(Fields::of($written))->toArray());
    }

    /** Marks that were given by a rubric that has changed since hold where it has not. */
    public function testMarksOutliveAChangeOfTheRubric(): void
    {
        $given = ['story' => 2, 'voice' => 1, 'gone' => 0];
        $changed = Rubric::read(Fields::of(['title' => 'Changed', 'criteria' => [self::criterion('story', 1, 0, 2), self::criterion('voice', 1, 4, 1)]]));
        self::assertSame(['voice' => 1], Marks::kept($changed, $given)->levels);
        $this->expectExceptionObject(new Malformed('rubric.no-such-level'));
        Marks::of($changed, $given);
    }

    /** What was marked by another rubric, or is not marked yet, is not counted. */
    public function testHowOftenEachLevelWasGiven(): void
    {
        $rubric = self::rubric();
        $other = Rubric::read(Fields::of(['title' => 'Another'] + $rubric->toArray()));
        $told = Distribution::of($rubric, [
            Marks::of($rubric, ['story' => 1, 'voice' => 0]), Marks::of($rubric, ['story' => 1]), Marks::of($rubric, ['story' => 2, 'sources' => 0]),
            Marks::of($rubric, []), Marks::of($other, ['story' => 0]),
        ]);
        self::assertSame(['films' => 3, 'counts' => ['story' => [0, 2, 1], 'voice' => [1, 0], 'sources' => [1, 0]]], $told->toArray());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $one = self::criterion('a', 1, 0, 1);
        yield 'no criterion' => [['criteria' => []], 'rubric.criteria'];
        yield 'too many' => [['criteria' => array_map(static fn(int $n): array => self::criterion("a{$n}", 1, 0, 1), range(0, Limits::CRITERIA))], 'rubric.criteria'];
        yield 'one level' => [['criteria' => [self::criterion('a', 1, 0)]], 'rubric.levels'];
        yield 'too many levels' => [['criteria' => [self::criterion('a', 1, ...range(0, Limits::LEVELS))]], 'rubric.levels'];
        yield 'the same twice' => [['criteria' => [$one, $one]], 'rubric.same-id'];
        yield 'points' => [['criteria' => [self::criterion('a', 1, 0, Limits::RUBRIC_POINTS + 1)]], 'field.whole'];
        yield 'less than nothing' => [['criteria' => [self::criterion('a', 1, -1, 1)]], 'field.whole'];
        yield 'weight' => [['criteria' => [self::criterion('a', 0, 0, 1)]], 'field.whole'];
        yield 'no name' => [['criteria' => [['name' => ' '] + $one]], 'field.empty'];
        yield 'no title' => [['title' => '', 'criteria' => [$one]], 'field.empty'];
        yield 'no list' => [['criteria' => 'x'], 'field.list'];
    }

    /** @param array<string, mixed> $rubric */
    #[DataProvider('wrong')]
    public function testWhatIsNoRubricIsRefused(array $rubric, string $code): void
    {
        try {
            Rubric::read(Fields::of($rubric + ['title' => 'T']));
            self::fail('it is read');
        } catch (Malformed $refusal) {
            self::assertSame($code, $refusal->said->code);
        }
    }

    public function testALevelThatThereIsNotIsRefused(): void
    {
        foreach ([['story' => 3], ['story' => -1], ['story' => '1'], ['story' => 1.0], ['other' => 0], ['story' => [0]]] as $levels) {
            try {
                Marks::of(self::rubric(), $levels);
                self::fail(json_encode($levels, \JSON_THROW_ON_ERROR));
            } catch (Malformed $refusal) {
                self::assertSame('rubric.no-such-level', $refusal->said->code);
            }
        }
    }
}
