<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Spot;

final class FieldsTest extends TestCase
{
    /** Unicode Standard Annex #15: a letter and its mark become one character. */
    public function testTextIsComposedAndFreeOfControlCharacters(): void
    {
        $in = Fields::of(['text' => "A\u{30A}rhus\0\x08\r\nsecond\rthird\tfourth"]);

        self::assertSame("\u{C5}rhus\nsecond\nthird\tfourth", $in->text('text'));
    }

    /** @return iterable<string, array{array<string, mixed>, \Closure(Fields): mixed, string}> */
    public static function bad(): iterable
    {
        yield 'no text' => [[], static fn(Fields $f): string => $f->text('a'), 'field.text {"field":"a"}'];
        yield 'not UTF-8' => [['a' => "\xFF"], static fn(Fields $f): string => $f->text('a'), 'field.text'];
        yield 'too long' => [
            ['a' => 'äöü'],
            static fn(Fields $f): string => $f->text('a', 2),
            'field.too-long {"field":"a","length":3,"most":2}',
        ];
        yield 'only spaces' => [['a' => '  '], static fn(Fields $f): string => $f->text('a', min: 1), 'field.empty'];
        yield 'an id that climbs' => [['a' => '../x'], static fn(Fields $f): string => $f->id('a'), 'field.id'];
        yield 'an id with a line break' => [['a' => "x\n"], static fn(Fields $f): string => $f->id('a'), 'field.id'];
        yield 'text for a number' => [
            ['a' => '3'],
            static fn(Fields $f): float => $f->number('a', 0, 9),
            'field.number {"field":"a","least":0,"most":9}',
        ];
        yield 'a number that is none' => [
            ['a' => \NAN],
            static fn(Fields $f): float => $f->number('a', 0, 9),
            'field.number {"field":"a","least":0,"most":9}',
        ];
        yield 'out of range' => [
            ['a' => 10],
            static fn(Fields $f): int => $f->whole('a', 0, 9),
            'field.whole {"field":"a","least":0,"most":9}',
        ];
        yield 'half a number' => [['a' => 1.5], static fn(Fields $f): int => $f->whole('a', 0, 9), 'field.whole'];
        yield 'no such choice' => [
            ['a' => 'aside'],
            static fn(Fields $f): Spot => $f->choice('a', Spot::class),
            'top-left, top, top-right',
        ];
        yield 'an object for a list' => [['a' => ['x' => 1]], static fn(Fields $f): array => $f->ids('a'), 'field.list'];
        yield 'deep inside' => [
            ['a' => [['b' => 1]]],
            static fn(Fields $f): string => $f->objects('a')[0]->text('b'),
            'field.text {"field":"a[0].b"}',
        ];
        yield 'a flag in words' => [['a' => 'yes'], static fn(Fields $f): bool => $f->flag('a'), 'field.flag'];
    }

    /**
     * @param array<string, mixed>   $data
     * @param \Closure(Fields): mixed $read
     */
    #[DataProvider('bad')]
    public function testWhatDoesNotFitIsRefusedWithItsName(array $data, \Closure $read, string $says): void
    {
        $this->expectException(Malformed::class);
        $this->expectExceptionMessageMatches('/' . preg_quote($says, '/') . '/');
        $read(Fields::of($data));
    }

    public function testWhatIsLeftOutHasItsUsualValue(): void
    {
        $in = Fields::of(['given' => null]);

        self::assertSame(['usual', null, 2.5, true, Spot::Top, []], [
            $in->text('given', default: 'usual'), $in->textOrNull('given'), $in->number('given', 0, 9, 2.5), $in->flag('given', true),
            $in->choice('given', Spot::class, Spot::Top), $in->ids('given'),
        ]);
    }
}
