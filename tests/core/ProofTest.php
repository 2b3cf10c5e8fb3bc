<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\Licence;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Edit\AddVoice;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\AsAsked;
use Rhapsode\Core\Proof\Asked;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Flaw;
use Rhapsode\Core\Proof\Praise;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Proof\Severity;
use Rhapsode\Core\Proof\Wanted;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** What Proof says of movement, sound, music and joins. */
final class ProofTest extends TestCase
{
    /** @return list<string> */
    private static function rules(Story $story): array
    {
        return array_map(
            static fn(Finding $f): string => $f->rule,
            Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)),
        );
    }

    /** @return iterable<string, array{Picture, Shape}> */
    public static function pictures(): iterable
    {
        foreach (Shape::cases() as $shape) {
            foreach ([[4000, 3000], [3000, 4000], [2400, 1350], [6000, 1000], [500, 500]] as [$width, $height]) {
                yield "{$width} x {$height} in {$shape->value}" => [new Picture('p', 'p.jpg', $width, $height), $shape];
            }
        }
    }

    /** Limits: common practice, named in Comfort. */
    #[DataProvider('pictures')]
    public function testTheDefaultMoveIsCalmHoweverLongTheSlideStays(Picture $picture, Shape $shape): void
    {
        foreach ([0.5, 1.0, 2.0, 4.0, 9.0, 30.0, 300.0] as $seconds) {
            foreach (['a', 'b', 'c', 'd'] as $id) {
                $comfort = Comfort::of(
                    Framer::move(Fit::Auto, new Framing(), $picture->width / $picture->height, $shape->ratio(), $seconds, $id),
                    $seconds,
                );
                self::assertTrue($comfort->isCalm());
                self::assertLessThan(Comfort::MOST_ZOOM / 2, $comfort->zoom);
                self::assertLessThan(Comfort::MOST_PAN / 2, $comfort->pan);
            }
        }
    }

    public function testSpeedIsToldAtItsFastest(): void
    {
        // Eased, the fastest is 1.25 times the mean (Ease): half a width in five seconds, seen at full size.
        $pan = Comfort::of(Move::between(new Frame(0, 0, 0.5, 0.5), new Frame(0.25, 0, 0.5, 0.5)), 5.0);
        self::assertEqualsWithDelta(0.125, $pan->pan, 0.002);
        self::assertEqualsWithDelta(0.0, $pan->zoom, 1e-9);
        $zoom = Comfort::of(Move::between(Frame::all(), new Frame(0.25, 0.25, 0.5, 0.5)), 10.0);
        self::assertGreaterThan(log(2) / 10, $zoom->zoom);
        // What is told at a glance is never less.
        mt_srand(1);
        for ($i = 0; $i < 200; ++$i) {
            [$from, $to] = array_map(static fn(): Frame => Frame::about(
                mt_rand() / mt_getrandmax(),
                mt_rand() / mt_getrandmax(),
                mt_rand(2, 100) / 100,
                mt_rand(2, 100) / 100,
            ), [0, 1]);
            $exact = Comfort::of(Move::between($from, $to), 4.0);
            $most = Comfort::atMost(Move::between($from, $to), 4.0);
            self::assertGreaterThanOrEqual($exact->zoom - 1e-4, $most->zoom);
            self::assertGreaterThanOrEqual($exact->pan - 1e-4, $most->pan);
        }
        self::assertLessThan(2 * log(2) / 10, $zoom->zoom);
    }

    public function testAMoveThatMakesPeopleSickIsSaid(): void
    {
        $move = static fn(Frame $to): array => self::rules(
            Stories::of([['framing' => new Framing(Motion::Set, new Frame(0, 0, 0.5, 0.5), $to), 'stay' => 4.0]]),
        );

        self::assertContains('fast-move', $move(new Frame(0.5, 0.5, 0.5, 0.5)), 'across');
        self::assertContains('fast-move', $move(new Frame(0, 0, 1, 1)), 'outward');
        self::assertNotContains('fast-move', $move(new Frame(0.05, 0.05, 0.5, 0.5)));
    }

    /** Twelve new pictures are one finding, said once, with what is said of each by itself. */
    public function testEachKindOfThingIsSaidOnceWithItsSlides(): void
    {
        $story = Stories::of(array_fill(0, 12, []))->withAsset(new Picture('p', 'p.jpg', 2400, 1350));
        $findings = array_values(array_filter(
            Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)),
            static fn(Finding $f): bool => 'no-source' === $f->rule,
        ));

        self::assertCount(1, $findings);
        self::assertEquals(new Message('proof.no-source.many', ['count' => 12]), $findings[0]->message);
        self::assertSame(array_map(static fn(int $i): string => "s{$i}", range(0, 11)), array_keys($findings[0]->slides));
        self::assertEquals(new Message('proof.no-source', ['slide' => 3]), $findings[0]->slides['s2']);
        $one = $story->with(slides: \array_slice($story->slides, 0, 1));
        self::assertEquals(
            new Message('proof.no-source', ['slide' => 1]),
            Proof::read($one, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($one))[0]->message,
            'what must be mended first',
        );
    }

    public function testWhatIsGoodIsSaidOnlyWhereItIsSo(): void
    {
        $praise = static fn(Story $story, ?Wanted $wanted = null): array => array_map(
            static fn(Message $m): string => $m->code,
            Praise::of($story, Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story), $wanted), $wanted),
        );
        $good = Stories::of([['layout' => Layout::Title], ['voice' => 4.0, 'script' => 'The tide comes in.', 'caption' => 'A fact']]);

        self::assertCount(6, $praise($good, new Wanted(1, 60)));
        self::assertContains('praise.clear', $praise($good));
        self::assertNotContains('praise.long-enough', $praise($good), 'there is no task');
        self::assertNotContains('praise.long-enough', $praise($good, new Wanted(60, 90)));
        self::assertNotContains('praise.credited', $praise($good->withAsset(new Picture('p', 'p.jpg', 2400, 1350))));
        self::assertNotContains('praise.title', $praise($good->with(slides: \array_slice($good->slides, 1))));
        $voice = $good->voice('t1');
        self::assertNotNull($voice);
        $loud = $good->withAsset(
            new Voice('t1', $voice->file, $voice->samples, $voice->from, $voice->to, $voice->loudness, $voice->peak, null, true),
        );
        self::assertNotContains('praise.clear', $praise($loud));
        self::assertSame([], $praise(new Story('Nothing yet', [new Slide('t', Layout::Title)])));
    }

    public function testNoiseAndClippingAreSaid(): void
    {
        $take = static fn(?float $noise, bool $clipped): array => self::rules((new AddVoice(
            new Voice('t', 't', 96_000, 0, 96_000, -18.0, -6.0, $noise, $clipped),
            's0',
        ))->apply(Stories::of([['script' => 'x']])));

        self::assertContains('noisy', $take(14.0, false));
        self::assertContains('clipped', $take(40.0, true));
        self::assertSame([], array_intersect(['noisy', 'clipped'], $take(40.0, false)));
        self::assertNotContains('noisy', $take(null, false));
    }

    public function testMusicNeedsItsSourceAndSound(): void
    {
        $with = static fn(Source $source, ?float $loudness = -20.0): array => self::rules(Stories::of([['stay' => 9.0]])->withAsset(
            new Music('m', 'm.mp3', 480_000, $loudness, $loudness, -3.0, $source),
        )->with(beds: [new Bed('b', 'm')]));

        self::assertContains('no-music-source', $with(new Source()));
        self::assertContains('half-music-source', $with(new Source('Tune', 'Ann')));
        self::assertContains('silent-music', $with(new Source('Tune', 'Ann', '', 'CC0'), null));
        self::assertSame(
            [],
            array_intersect(['no-music-source', 'half-music-source', 'silent-music'], $with(new Source('Tune', 'Ann', '', 'CC0'))),
        );
    }

    /** Common practice: at most three kinds of transition in a film. */
    public function testManyKindsOfTransitionAreSaid(): void
    {
        $of = static fn(TransitionKind ...$kinds): array => self::rules(
            Stories::of(array_values(array_map(static fn(TransitionKind $kind): array => ['transition' => new Transition($kind)], $kinds))),
        );

        self::assertContains(
            'many-joins',
            $of(TransitionKind::Crossfade, TransitionKind::Sweep, TransitionKind::Rise, TransitionKind::ThroughDark),
        );
        self::assertNotContains(
            'many-joins',
            $of(TransitionKind::Crossfade, TransitionKind::Sweep, TransitionKind::Rise, TransitionKind::Cut),
        );
    }

    /** One kind of weather is the story's own; a second is a fair. */
    public function testASecondKindOfWeatherIsSaid(): void
    {
        $of = static fn(?DriftKind ...$kinds): array => self::rules(Stories::of(array_values(array_map(
            static fn(?DriftKind $kind): array => ['drift' => null === $kind ? null : new Drift($kind)],
            $kinds,
        ))));

        self::assertNotContains('many-drifts', $of(null, DriftKind::Rain, null, DriftKind::Rain));
        self::assertContains('many-drifts', $of(DriftKind::Rain, null, DriftKind::Mist));
    }

    /** Only where the assignment says how many; by characters, of all words on the picture, not of a title. */
    public function testMoreLettersThanTheAssignmentAllowsAreSaid(): void
    {
        $story = Stories::of([['layout' => Layout::Title, 'title' => str_repeat('x', 60)], ['caption' => str_repeat('é', 25)], ['caption' => ' ' . str_repeat('é', 20) . ' ']]);
        $story = (new SetLayer('s1', 'two', LayerKind::Words, ['text' => 'And']))->apply($story);
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $slides = static fn(?int $most): array => array_merge(...array_map(
            static fn(Finding $finding): array => 'many-letters' === $finding->rule ? array_keys($finding->slides) : [],
            Proof::read($story, $plan, new Wanted(1, 1000, $most)),
        ));
        self::assertSame([], $slides(null));
        self::assertSame([], $slides(28));
        self::assertSame(['s1'], $slides(27));
        self::assertSame(['s1'], $slides(20));
        $said = array_values(array_filter(Proof::read($story, $plan, new Wanted(1, 1000, 20)), static fn(Finding $finding): bool => 'many-letters' === $finding->rule));
        self::assertSame(['slide' => 2, 'letters' => 28, 'most' => 20], $said[0]->message->parameters);
        self::assertSame(28, $plan->scenes[1]->letters, 'as the page shows it');
    }

    /** What an assignment asks is said once, where it is missing, and nowhere else. */
    public function testWhatAnAssignmentAsksIsMissed(): void
    {
        $story = Stories::of([
            ['layout' => Layout::Title, 'title' => 'One'],
            ['caption' => 'A fact', 'script' => 'To be said'],
            ['caption' => ''],
        ]);
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $asked = ['few-slides', 'many-slides', 'no-title', 'not-spoken', 'not-written', 'script-unspoken'];
        $found = static function (Story $story, Wanted $wanted) use ($asked, $plan): array {
            $places = [];
            foreach (Proof::read($story, $plan, $wanted) as $one) {
                if (\in_array($one->rule, $asked, true)) {
                    $places[$one->rule] = [$one->level, array_keys($one->slides)];
                }
            }

            return $places;
        };
        self::assertSame(['script-unspoken' => [Severity::Should, ['s1']]], $found($story, new Wanted(0, 1000)));
        self::assertSame(
            ['not-spoken' => [Severity::Must, ['s1', 's2']], 'not-written' => [Severity::Must, ['s2']]],
            $found($story, new Wanted(0, 1000, asked: Asked::cases())),
        );
        foreach ([[4, null, 'few-slides'], [null, 2, 'many-slides'], [4, 9, 'few-slides'], [1, 2, 'many-slides'], [3, 3, null], [null, null, null]] as [$least, $most, $rule]) {
            $said = $found($story, new Wanted(0, 1000, leastSlides: $least, mostSlides: $most));
            self::assertSame(null === $rule ? [] : [$rule => [Severity::Must, []]], array_diff_key($said, ['script-unspoken' => true]));
        }
        $bare = $story->with(slides: \array_slice($story->slides, 1));
        self::assertSame(Severity::Should, $found($bare, new Wanted(0, 1000))['no-title'][0] ?? null);
        self::assertSame(Severity::Must, $found($bare, new Wanted(0, 1000, asked: [Asked::Title]))['no-title'][0] ?? null);
        // What only the assignment asks for is told from what any film needs.
        $asks = Proof::read($bare, $plan, new Wanted(0, 1000, 1, leastSlides: 9, asked: [Asked::Title, Asked::Voice]));
        $byTask = array_column(array_filter($asks, static fn(Finding $one): bool => $one->isAsked), 'rule');
        self::assertEqualsCanonicalizing(['few-slides', 'no-title', 'not-spoken', 'many-letters'], $byTask);
    }

    /** @return iterable<string, array{string, bool}> licences as people type them, and whether they keep others from using a work */
    public static function licences(): iterable
    {
        // The six licences and two marks of Creative Commons: which are for free cultural works (creativecommons.org/public-domain/freeworks).
        foreach (['CC BY 4.0' => false, 'CC BY-SA 3.0' => false, 'CC0 1.0' => false, 'PDM 1.0' => false, 'CC BY-NC 4.0' => true, 'CC BY-ND 4.0' => true, 'CC BY-NC-SA 2.0' => true, 'cc by-nc-nd' => true] as $name => $is) {
            yield $name => [$name, $is];
        }
        foreach (['Attribution-NonCommercial' => true, 'No derivatives' => true, '© 1998' => true, 'All rights reserved' => true, 'my own work' => false, 'Public domain' => false, '' => false, 'Found and bought' => false] as $name => $is) {
            yield "typed: {$name}" => [$name, $is];
        }
    }

    #[DataProvider('licences')]
    public function testATaskMayAskForWorksThatAnybodyMayUse(string $licence, bool $isRestricted): void
    {
        self::assertSame($isRestricted, Licence::isRestricted($licence));
        $story = Stories::of([['layout' => Layout::Title, 'title' => 'One'], ['caption' => 'A fact']]);
        $story = $story->with(assets: array_map(static fn(Asset $one): Asset => $one instanceof Picture ? $one->withSource(new Source('T', 'A', '', $licence)) : $one, $story->assets));
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $rules = static fn(Wanted $wanted): array => array_column(array_map(static fn(Finding $one): array => [$one->rule, $one->level], Proof::read($story, $plan, $wanted)), 1, 0);
        self::assertArrayNotHasKey('not-free', $rules(new Wanted(0, 1000)));
        self::assertSame($isRestricted ? Severity::Must : null, $rules(new Wanted(0, 1000, asked: [Asked::Free]))['not-free'] ?? null);
        // The same half of a source had better be whole, and must be where that is asked.
        $half = '' === $licence;
        self::assertSame($half ? Severity::Should : null, $rules(new Wanted(0, 1000))['half-source'] ?? null);
        self::assertSame($half ? Severity::Must : null, $rules(new Wanted(0, 1000, asked: [Asked::Sources]))['half-source'] ?? null);
    }

    /** What is asked changes what counts, and not what is found. */
    public function testEveryRuleThatIsAskedForIsOneOfProof(): void
    {
        $said = json_decode((string) file_get_contents(__DIR__ . '/../../messages/en.json'), true);
        self::assertIsArray($said);
        foreach (Asked::cases() as $asked) {
            foreach ($asked->rules() as $rule) {
                self::assertArrayHasKey("proof.{$rule}", $said);
                $flaws = [new Flaw(Severity::Should, $rule, [], 's'), new Flaw(Severity::Should, 'many-joins')];
                $weighed = AsAsked::weighed($flaws, new Wanted(0, 9, asked: [$asked]));
                self::assertSame([Severity::Must, Severity::Should], array_column($weighed, 'level'));
                self::assertSame([true, false], array_column($weighed, 'isAsked'));
                self::assertEquals($flaws, AsAsked::weighed($flaws, new Wanted(0, 9)));
            }
        }
    }
}
