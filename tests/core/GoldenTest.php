<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Edit\PutBeside;
use Rhapsode\Core\Edit\SetDrift;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetPointing;
use Rhapsode\Core\Edit\SetSequence;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Edit\SetVoice;
use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Layer\Drift\Way;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Pointing\PlannedPointing;
use Rhapsode\Core\Layer\Words\PlannedPointer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Memo\ProcessMemo;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Plan\SlideMoments;
use Rhapsode\Core\Plan\SpokenSlide;
use Rhapsode\Core\Pointing\PointerForm;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Messages\IcuCatalogue;

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
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan(self::story());
    }

    private static function story(): Story
    {
        $moves = new Framing(Motion::Set, new Frame(0.1, 0.0, 0.5, 0.5), new Frame(0.3, 0.4, 0.6, 0.6));
        $slides = [
            [
                'layout' => Layout::Title,
                'stay' => 3.0,
                'subtitle' => 'Below',
            ], ['caption' => 'A fact', 'voice' => 3.2, 'framing' => $moves], ['stay' => 4.0], ['fit' => Fit::Whole, 'stay' => 3.5],
            ['voice' => 2.5], ['stay' => 3.0, 'framing' => new Framing(Motion::Still), 'recipe' => new Recipe(90)], ['stay' => 3.0],
        ];
        $slides[] = ['voice' => 20.0, 'script' => 'On the left the mill, and later on the right the wheel.', 'framing' => new Framing(
            Motion::Set,
            Frame::all(),
            Frame::all(),
            [Stop::atWord(new Frame(0.55, 0.2, 0.4, 0.4), 10), Stop::atSecond(new Frame(0.05, 0.3, 0.45, 0.45), 4.0)],
        )];
        $slides[] = ['stay' => 6.0];
        foreach ([
            TransitionKind::Crossfade, TransitionKind::ThroughDark, TransitionKind::Sweep, TransitionKind::Rise,
            TransitionKind::ThroughLight, TransitionKind::Cut, TransitionKind::Crossfade,
        ] as $i => $kind) {
            $slides[$i]['transition'] = new Transition($kind, 1.0);
        }
        $story = Stories::of($slides)->withAsset(new Music('m', 'm.mp3', 480_000, -20.0, -18.0, -3.0))->with(beds: [new Bed('b', 'm')]);
        $story = (new SetLayer('s0', 'subtitle', LayerKind::Words, ['comes' => 0.5, 'goes' => 2.5]))->apply($story);
        $story = (new SetLayer('s2', 'mark', LayerKind::Icon, ['name' => 'arrow', 'comes' => 1.0]))->apply($story);
        foreach ([
            ['s1', 'caption', ['text' => 'A fact that is long enough to be written in two lines, of which the second is shorter', 'entrance' => 'written', 'size' => 'largest']],
            ['s2', 'words', ['text' => 'المد والجزر', 'entrance' => 'written', 'comes' => 1.5]],
            ['s4', 'words', ['text' => 'It comes up', 'entrance' => 'rise', 'comes' => 0.7, 'goes' => 3]],
            ['s7', 'words', ['role' => 'label', 'text' => 'The wheel', 'target' => ['x' => 0.7, 'y' => 0.4], 'comes' => ['word' => 7]]],
            ['s7', 'song', ['text' => "On the left the mill,\nand later on the right", 'spoken' => true, 'at' => ['x' => 0.5, 'y' => 0.8]]],
        ] as [$slide, $layer, $changes]) {
            $story = (new SetLayer($slide, $layer, LayerKind::Words, $changes))->apply($story);
        }
        // It snows over two slides, once over words.
        $story = (new SetDrift(['s2', 's3'], new Drift(DriftKind::Snow, Way::DownRight)))->apply($story);
        // The third slide moves, and is heard.
        $story = $story->withAsset(Stories::moving(200, -22.0, 'c'));
        $story = (new SetLayer(
            's3',
            'picture',
            LayerKind::Picture,
            ['asset' => 'c', 'part' => ['from' => 40, 'level' => -3]],
        ))->apply($story);
        // The last has two beside each other, one after another, and names a point of the second.
        $story = (new SetSequence(['s8'], Sequence::Evenly))->apply((new PutBeside('s8', 'c'))->apply($story));
        $story = (new SetLayer('s8', 'label', LayerKind::Words, ['role' => 'label', 'text' => 'Here', 'of' => 'picture-2']))->apply($story);
        $story = (new SetVoice('s4', [new Span('t4', 48_000, 90_000), new Span('t4', 120_000, 168_000)]))->apply($story);

        // On the second somebody points, at the picture that moves and then at the slide.
        $voice = $story->slides[1]->voice;
        $story = (new SetPointing($voice, [
            new Stroke(PointerForm::Ring, 'p', [[300, 0.2, 0.3], [900, 0.45, 0.2], [1500, 0.45, 0.25]]),
            new Stroke(PointerForm::Light, null, [[1700, 0.9, 0.9], [2600, 0.1, 0.4]]),
        ]))->apply($story);

        // The credits roll, over a picture.
        return (new SetStyle(null, null, ['credits' => 'roll', 'picture' => 'p']))->apply($story);
    }

    /**
     * Of the slide that has stops: when each is reached, in seconds.
     *
     * @return array{spoken: array<string, mixed>, stops: list<array<string, mixed>>, reached: list<float>}
     */
    private static function stops(): array
    {
        $story = self::story();
        $timed = Pacing::of($story)[7];
        $stops = $timed->slide->picture()->framing->stops ?? [];
        $moments = new SlideMoments($timed, $story, new ProcessMemo());

        return [
            'spoken' => SpokenSlide::told($timed, $story),
            'stops' => array_map(static fn(Stop $stop): array => $stop->toArray(), $stops),
            'reached' => array_map(static fn(Stop $stop): float => round($moments->of($stop), 3), $stops),
        ];
    }

    /** @return array<string, mixed> */
    private static function performance(): array
    {
        $plan = self::plan();
        $moments = [];
        for ($frame = 0; $frame < $plan->frames(); $frame += 7) {
            $sample = $frame * Rate::SAMPLES_PER_FRAME;
            $heard = array_values(array_filter($plan->plays, static fn(Play $p): bool => $p->at <= $sample && $p->end() > $sample));
            $moments[] = [
                'frame' => $frame, 'scenes' => self::seen($plan, $frame),
                'gains' => array_map(
                    static fn(Play $play): array => ['asset' => $play->asset, 'gain' => round($play->gainAt($sample), 4)],
                    $heard,
                ),
            ];
        }

        $comforts = [];
        foreach ($plan->scenes as $scene) {
            foreach ($scene->layers as $layer) {
                if ($layer instanceof PlannedPicture) {
                    $comfort = Comfort::of($layer->move, Rate::seconds($scene->gone() - $scene->start));
                    $comforts[] = [
                        'scene' => $scene->id,
                        'zoom' => round($comfort->zoom, 4),
                        'pan' => round($comfort->pan, 4),
                        'isCalm' => $comfort->isCalm(),
                    ];
                }
            }
        }

        return [
            'plan' => $plan->toArray(),
            'points' => self::POINTS,
            'calmest' => [Comfort::MOST_ZOOM, Comfort::MOST_PAN],
            'comforts' => $comforts,
            'stops' => self::stops(),
            'moments' => $moments,
        ];
    }

    /** @return list<array<string, mixed>> from the back to the front, each with its layers and how much of it and of the colour before it is seen */
    private static function seen(Plan $plan, int $frame): array
    {
        $seen = [];
        foreach ($plan->scenes as $i => $scene) {
            if ($frame >= $scene->start && $frame < $scene->gone()) {
                $before = $i > 0 && $frame < $scene->start + $scene->comesIn ? $plan->scenes[$i - 1]->transition : null;
                $seen[] = [
                    'id' => $scene->id,
                    'layers' => array_map(static fn(PlannedLayer $layer): array => self::layer($scene, $layer, $frame), $scene->layers),
                    'weights' => array_map(
                        static fn(array $point): array => null === $before ? [0.0, 1.0] : array_map(
                            static fn(float $w): float => round($w, 6),
                            $before->weights(($frame - $scene->start) / $scene->comesIn, ...$point),
                        ),
                        self::POINTS,
                    ),
                ];
            }
        }

        return $seen;
    }

    /** @return array<string, mixed> where it lies within its picture, where it has one, and how far it is seen */
    private static function layer(Scene $scene, PlannedLayer $layer, int $frame): array
    {
        $at = $layer instanceof PlannedPicture ? $layer->move->at($scene->progress($frame)) : null;

        $since = $frame - $scene->start;
        $words = $layer instanceof PlannedWords ? $layer : null;
        $line = $layer instanceof PlannedPointer ? [$layer->begin($scene->progress($frame)), $layer->end($scene->progress($frame))] : [];

        $pointed = null;
        if ($layer instanceof PlannedPointing) {
            $place = $layer->at($since, $scene->progress($frame));
            $pointed = [round($place->x, 6), round($place->y, 6)];
        }

        return [
            'lowered' => null === $words?->rise ? null : round($words->rise->at($since) * PlannedWords::RISE, 6),
            'written' => self::written($words, $since),
            'drifted' => $layer instanceof PlannedDrift ? array_map(static fn(float $share): float => round($share, 6), $layer->at($since)) : null,
            'rolled' => $layer instanceof PlannedRoll ? [round($layer->top->at($since), 6), round($layer->block->slides, 6)] : null,
            'pointed' => $pointed,
            'line' => array_map(static fn(Point $point): array => [round($point->x, 6), round($point->y, 6)], $line),
            'id' => $layer->id(), 'opacity' => round($layer->opacity()->at($frame - $scene->start), 6),
            'clip' => $layer instanceof PlannedPicture ? $layer->clip?->frame($frame - $scene->start) : null,
            'at' => null === $at ? null : array_map(static fn(float $v): float => round($v, 6), [$at->x, $at->y, $at->width, $at->height]),
        ];
    }

    /** @return list<array{float, float, float}>|null points of the slide, and how far words that are written are seen there */
    private static function written(?PlannedWords $words, int $since): ?array
    {
        if (null === $words?->reveal) {
            return null;
        }
        $points = [];
        foreach ($words->reveal->bands as $band) {
            foreach ([0.03, 0.3, 0.62, 0.95] as $along) {
                [$x, $y] = [$band->box->x + $along * $band->box->width, $band->box->y + $band->box->height / 2];
                $seen = $words->reveal->weight($words->reveal->written->at($since), $x, $y);
                $points[] = [round($x, 6), round($y, 6), round($seen, 6)];
            }
        }

        return $points;
    }

    public function testThePerformanceIsTheOneThatPagesAreHeldTo(): void
    {
        $performance = self::performance();
        // A line for each moment, so that a change shows where it is.
        $written = static fn(mixed $one): string => json_encode($one, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION | \JSON_UNESCAPED_SLASHES);
        $now = implode(",\n", array_map(
            static fn(string $name): string => $written($name) . ': ' . (
                \is_array($performance[$name]) && array_is_list($performance[$name])
                    ? "[\n" . implode(",\n", array_map($written, $performance[$name])) . "\n]"
                    : $written($performance[$name])
            ),
            array_keys($performance),
        ));
        $now = "{\n{$now}\n}\n";
        if ('write' === getenv('RHAPSODE_GOLDEN')) {
            file_put_contents(self::FILE, $now);
        }
        self::assertSame(json_decode((string) file_get_contents(self::FILE), true), json_decode($now, true));
    }

    public function testItHoldsEveryKindOfTransitionAndLayerAndABedThatGivesWay(): void
    {
        $plan = self::plan();
        self::assertEqualsCanonicalizing(
            array_column(TransitionKind::cases(), 'value'),
            array_values(array_unique(array_map(static fn(Scene $s): string => $s->transition->kind->value, $plan->scenes))),
        );
        self::assertEqualsCanonicalizing(
            array_column(PlannedKind::cases(), 'value'),
            array_values(array_unique(array_map(
                static fn(PlannedLayer $layer): string => $layer->kind()->value,
                array_merge(...array_map(static fn(Scene $s): array => $s->layers, $plan->scenes)),
            ))),
        );
        self::assertGreaterThan(4, max([0, ...array_map(static fn(Play $p): int => \count($p->gains), $plan->plays(Bus::Bed))]));
    }
}
