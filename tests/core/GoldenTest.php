<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\PlannedSlide;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\Fit;
use Rhapsode\Core\Story\Join;
use Rhapsode\Core\Story\JoinKind;
use Rhapsode\Core\Story\Motion;
use Rhapsode\Core\Story\Music;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Timing\Rate;

/**
 * tests/golden/performance.json: a plan, and what is seen and heard at moments of it, by core's own rules. The page's
 * performer of plans is held to the same file (tests/web/stage.test.ts). Written anew with RHAPSODE_GOLDEN=write.
 */
final class GoldenTest extends TestCase
{
    private const FILE = __DIR__ . '/../golden/performance.json';
    private const POINTS = [[0.1, 0.2], [0.5, 0.5], [0.85, 0.9]];

    private static function plan(): Plan
    {
        $frame = ['motion' => Motion::Set, 'opensOn' => new Frame(0.1, 0.0, 0.5, 0.5), 'closesOn' => new Frame(0.3, 0.4, 0.6, 0.6)];
        $slides = [['kind' => SlideKind::Title, 'stay' => 3.0], ['caption' => new Caption('A fact'), 'voice' => 3.2] + $frame, ['stay' => 4.0], ['fit' => Fit::Whole, 'stay' => 3.5], ['voice' => 2.5], ['stay' => 3.0, 'motion' => Motion::Still], ['stay' => 3.0]];
        foreach ([JoinKind::Crossfade, JoinKind::ThroughDark, JoinKind::Sweep, JoinKind::Rise, JoinKind::ThroughLight, JoinKind::Cut, JoinKind::Crossfade] as $i => $kind) {
            $slides[$i]['join'] = new Join($kind, 1.0);
        }
        $story = Stories::of($slides)->with(music: ['m' => new Music('m', 'm.mp3', 480_000, -20.0, -18.0, -3.0)], beds: [new Bed('b', 'm')]);

        return (new Planner(new EvenWidths()))->plan($story);
    }

    /** @return array<string, mixed> */
    private static function performance(): array
    {
        $plan = self::plan();
        $moments = [];
        for ($frame = 0; $frame < $plan->frames(); $frame += 7) {
            $moments[] = ['frame' => $frame, 'slides' => self::seen($plan, $frame), 'gains' => array_map(
                static fn(Play $play): float => round($play->gainAt($frame * Rate::SAMPLES_PER_FRAME), 4),
                array_values(array_filter($plan->beds, static fn(Play $p): bool => $p->at <= $frame * Rate::SAMPLES_PER_FRAME && $p->end() > $frame * Rate::SAMPLES_PER_FRAME)),
            )];
        }

        return ['plan' => $plan->toArray(), 'points' => self::POINTS, 'moments' => $moments];
    }

    /** @return list<array<string, mixed>> from the back to the front, each with its frame and how much of it and of the colour before it is seen */
    private static function seen(Plan $plan, int $frame): array
    {
        $seen = [];
        foreach ($plan->slides as $i => $slide) {
            if ($frame >= $slide->start && $frame < $slide->gone()) {
                $before = $i > 0 && $frame < $slide->start + $slide->joinIn ? $plan->slides[$i - 1]->join : null;
                $seen[] = self::moment($slide, $frame) + ['weights' => array_map(
                    static fn(array $point): array => null === $before ? [0.0, 1.0] : array_map(static fn(float $w): float => round($w, 6), $before->weights(($frame - $slide->start) / $slide->joinIn, ...$point)),
                    self::POINTS,
                )];
            }
        }

        return $seen;
    }

    /** @return array<string, mixed> */
    private static function moment(PlannedSlide $slide, int $frame): array
    {
        $at = $slide->move->at($slide->progress($frame));

        return ['id' => $slide->id, 'at' => array_map(static fn(float $v): float => round($v, 6), [$at->x, $at->y, $at->width, $at->height])];
    }

    public function testThePerformanceIsTheOneThatPagesAreHeldTo(): void
    {
        $now = json_encode(self::performance(), \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_PRESERVE_ZERO_FRACTION) . "\n";
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents(self::FILE, $now);
        }
        self::assertSame(json_decode((string) file_get_contents(self::FILE), true), json_decode($now, true));
    }

    public function testItHoldsEveryKindOfTransitionAndABedThatGivesWay(): void
    {
        $plan = self::plan();
        self::assertEqualsCanonicalizing(array_column(JoinKind::cases(), 'value'), array_values(array_unique(array_map(static fn(PlannedSlide $s): string => $s->join->kind->value, $plan->slides))));
        self::assertGreaterThan(4, max([0, ...array_map(static fn(Play $p): int => \count($p->gains), $plan->beds)]));
    }
}
