<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\HandIn\HandInRefusal;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\HandIn\Mark;
use Rhapsode\Core\HandIn\Saying;
use Rhapsode\Core\HandIn\Watching;

/** What is said of a moment of a film, and drawn on its picture. */
final class RemarkTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>|null}> what is told, what is kept */
    public static function marks(): iterable
    {
        $ring = ['form' => 'ring', 'x' => 0.2, 'y' => 0.3, 'toX' => 0.5, 'toY' => 0.7];
        yield 'a ring' => [$ring, $ring];
        yield 'a ring from its last corner' => [['x' => 0.5, 'y' => 0.7, 'toX' => 0.2, 'toY' => 0.3] + $ring, $ring];
        yield 'a ring from another corner' => [['x' => 0.5, 'toX' => 0.2] + $ring, $ring];
        $arrow = ['form' => 'arrow', 'x' => 0.9, 'y' => 1.0, 'toX' => 0.0, 'toY' => 0.4];
        yield 'an arrow keeps its tip' => [$arrow, $arrow];
        yield 'as finely as anybody sees' => [['x' => 0.200049] + $ring, ['x' => 0.2] + $ring];
        yield 'whole numbers are numbers' => [['x' => 1] + $arrow, ['x' => 1.0] + $arrow];
        yield 'flat, but long' => [['toY' => 0.3] + $ring, ['toY' => 0.3] + $ring];
        yield 'as small as may be' => [['toX' => 0.2 + Limits::LEAST_MARK, 'toY' => 0.3] + $ring, ['toX' => 0.22, 'toY' => 0.3] + $ring];
        yield 'a speck' => [['toX' => 0.21, 'toY' => 0.31] + $ring, null];
        yield 'a point' => [['toX' => 0.9, 'toY' => 1.0] + $arrow, null];
        yield 'out of the picture' => [['toX' => 1.01] + $ring, null];
        yield 'before it' => [['y' => -0.01] + $arrow, null];
        yield 'no number' => [['x' => 'left'] + $ring, null];
        yield 'no place at all' => [['form' => 'ring'], null];
        yield 'another form' => [['form' => 'star'] + $ring, null];
        yield 'no form' => [array_diff_key($ring, ['form' => 0]), null];
    }

    /**
     * @param array<string, mixed>      $told
     * @param array<string, mixed>|null $kept null where it is refused
     */
    #[DataProvider('marks')]
    public function testAMarkLiesOnThePicture(array $told, ?array $kept): void
    {
        if (null === $kept) {
            $this->expectException(Malformed::class);
        }
        self::assertEqualsCanonicalizing($kept, Mark::read(Fields::of($told))->toArray());
        $again = Mark::read(Fields::of(Mark::read(Fields::of($told))->toArray()));
        self::assertSame(Mark::read(Fields::of($told))->toArray(), $again->toArray(), 'read again it is the same');
    }

    public function testThereIsSomethingInARemark(): void
    {
        self::assertSame(HandInRefusal::NothingSaid, Saying::refusal('', null));
        self::assertNull(Saying::refusal('Look', null));
        self::assertNull(Saying::refusal('', 0.5));
        self::assertNull(Saying::refusal('Look', Limits::SPOKEN));
        self::assertSame(HandInRefusal::SpokenTooLong, Saying::refusal('Look', Limits::SPOKEN + 0.1));
    }

    public function testTheClassWatchesWhatIsAcceptedWhereItIsLet(): void
    {
        foreach (HandInState::cases() as $state) {
            self::assertSame(HandInState::Accepted === $state, Watching::isShown($state, true), $state->value);
            self::assertFalse(Watching::isShown($state, false), $state->value);
        }
        self::assertSame([true, false, false, false], [
            Watching::mayThank(true, false), Watching::mayThank(true, true), Watching::mayThank(false, false), Watching::mayThank(false, true),
        ]);
    }
}
