<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Film\PlayProblem;
use Rhapsode\Core\Film\ReadBack;

final class ReadBackTest extends TestCase
{
    /** @return iterable<string, array{ReadBack, list<PlayProblem>}> of a film of 300 frames, 10 s and 3 captions */
    public static function films(): iterable
    {
        yield 'whole' => [new ReadBack(300, 10.0, 3), []];
        yield 'padded by its codec' => [new ReadBack(300, 10.046, 3), []];
        yield 'a frame short' => [new ReadBack(299, 10.0, 3), [PlayProblem::Picture]];
        yield 'a frame too long' => [new ReadBack(301, 10.0, 3), [PlayProblem::Picture]];
        yield 'silent at the end' => [new ReadBack(300, 9.9, 3), [PlayProblem::Sound]];
        yield 'sound goes on' => [new ReadBack(300, 10.1, 3), [PlayProblem::Sound]];
        yield 'no captions' => [new ReadBack(300, 10.0, 0), [PlayProblem::Captions]];
        yield 'nothing' => [new ReadBack(0, 0.0, 0), [PlayProblem::Picture, PlayProblem::Sound, PlayProblem::Captions]];
    }

    /** @param list<PlayProblem> $problems */
    #[DataProvider('films')]
    public function testWhatIsWrongIsTold(ReadBack $film, array $problems): void
    {
        self::assertSame($problems, $film->problems(300, 10.0, 3));
    }
}
