<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\HandIn\Together;
use Rhapsode\Core\HandIn\TogetherRefusal;

final class TogetherTest extends TestCase
{
    public function testAsManyComeAsMayMakeOne(): void
    {
        self::assertNull(Together::joining(1, 2, null));
        self::assertSame(TogetherRefusal::Full, Together::joining(2, 2, null));
        self::assertSame(TogetherRefusal::Full, Together::joining(1, 1, null));
        // The teacher has let fewer make one since.
        self::assertSame(TogetherRefusal::Full, Together::joining(4, 3, null));
    }

    public function testSomebodyStays(): void
    {
        self::assertNull(Together::leaving(2, null));
        self::assertSame(TogetherRefusal::Last, Together::leaving(1, null));
    }

    /** @return iterable<string, array{HandInState, TogetherRefusal|null}> */
    public static function states(): iterable
    {
        foreach (HandInState::cases() as $state) {
            yield $state->value => [$state, match ($state) {
                HandInState::HandedIn, HandInState::Opened, HandInState::Accepted => TogetherRefusal::HandedIn,
                HandInState::Returned, HandInState::Withdrawn => null,
            }];
        }
    }

    #[DataProvider('states')]
    public function testWhatStandsIsTheirsWhoHandedItIn(HandInState $last, ?TogetherRefusal $refusal): void
    {
        self::assertSame($refusal, Together::joining(1, 5, $last));
        self::assertSame($refusal, Together::leaving(3, $last));
    }
}
