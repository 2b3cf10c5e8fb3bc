<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Sound\SplitPoint;
use Rhapsode\Core\Sound\Splitter;

final class SplitterTest extends TestCase
{
    public function testItCutsAtThePausesThatFitTheScripts(): void
    {
        // Parts of 4, 8 and 3 s with sentences within; between slides one rests longer.
        $pauses = [[2.0, 2.4], [4.4, 5.3], [8.0, 8.5], [11.0, 11.4], [13.8, 14.6], [16.0, 16.3]];
        $points = Splitter::points(0.0, 17.5, $pauses, [40.0, 80.0, 30.0]);

        self::assertNotNull($points);
        self::assertEqualsWithDelta([4.85, 14.2], array_map(static fn(SplitPoint $p): float => $p->at, $points), 1e-9);
        foreach ($points as $point) {
            self::assertGreaterThan(0.9, $point->confidence);
        }
    }

    public function testTwoPausesAlikeLeaveItUnsure(): void
    {
        $points = Splitter::points(0.0, 10.0, [[4.4, 4.8], [5.2, 5.6]], [1.0, 1.0]);

        self::assertNotNull($points);
        self::assertLessThan(0.7, $points[0]->confidence);
    }

    public function testTooFewPausesAreSaid(): void
    {
        self::assertNull(Splitter::points(0.0, 10.0, [[4.0, 5.0]], [1.0, 1.0, 1.0]));
        self::assertSame([], Splitter::points(0.0, 10.0, [], [1.0]));
    }
}
