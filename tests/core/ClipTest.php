<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\CutClip;
use Rhapsode\Core\Edit\EditReader;
use Rhapsode\Core\Edit\MarkEyes;
use Rhapsode\Core\Edit\SetLayers;
use Rhapsode\Core\Edit\SetPicture;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\Lasts;
use Rhapsode\Core\Layer\Picture\Part;
use Rhapsode\Core\Layer\Picture\PlannedClip;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\ClipSounds;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Style;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Clips as slides: how long they stay, which of their frames is seen when, and how they are heard. */
final class ClipTest extends TestCase
{
    /** @param list<array<string, mixed>> $slides as Stories::of, and `part`; all show a clip of 200 frames */
    private static function story(array $slides, ?float $loudness = -22.0, int $crossfade = 1): Story
    {
        $parts = array_map(static fn(array $slide): mixed => $slide['part'] ?? null, $slides);
        $story = Stories::of(array_map(static fn(array $slide): array => array_diff_key($slide, ['part' => 0]), $slides))
            ->withAsset(Stories::moving(200, $loudness))
            ->with(
                style: new Style(new Transition($crossfade > 0 ? TransitionKind::Crossfade : TransitionKind::Cut, $crossfade)),
                credits: false,
            );
        foreach ($parts as $i => $part) {
            $story = null === $part ? $story : (new SetLayers(["s{$i}"], LayerKind::Picture, ['part' => $part]))->apply($story);
        }

        return $story;
    }

    private static function plan(Story $story): Plan
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
    }

    private static function clip(Plan $plan, int $scene = 0): PlannedClip
    {
        return $plan->scenes[$scene]->picture()->clip ?? throw new \LogicException('Nothing moves.');
    }

    /** @return list<int> */
    private static function stays(Story $story): array
    {
        return array_map(static fn($timed): int => $timed->stay, Pacing::of($story));
    }

    public function testAClipIsSeenWholeFromWhenItComesInUntilTheNextIsThere(): void
    {
        $plan = self::plan(self::story([[], [], []]));

        // Each goes on for the 30 frames of the transition to the next; the last has none.
        self::assertSame([170, 170, 200], self::stays(self::story([[], [], []])));
        foreach ($plan->scenes as $i => $scene) {
            self::assertSame(200, $scene->gone() - $scene->start, "slide {$i}");
            self::assertSame([0, 199], [self::clip($plan, $i)->frame(0), self::clip($plan, $i)->frame($scene->gone() - 1 - $scene->start)]);
        }
    }

    public function testOfAPartOnlyItsFramesAreSeen(): void
    {
        $story = self::story([['part' => ['from' => 50, 'to' => 110]], []], crossfade: 0);
        $clip = self::clip(self::plan($story));

        self::assertSame([60, 200], self::stays($story));
        self::assertSame([50, 50, 51, 109, 109], array_map($clip->frame(...), [-3, 0, 1, 59, 200]));
    }

    public function testAVeryShortPartStaysLongEnoughToBeSeen(): void
    {
        self::assertSame([15, 15], self::stays(self::story([['part' => ['from' => 3, 'to' => 5]], ['part' => ['to' => 1]]])));
    }

    public function testATimeOfItsOwnIsKept(): void
    {
        self::assertSame([90, 300], self::stays(self::story([['stay' => 3.0], ['stay' => 10.0]])));
    }

    public function testUnderAVoiceItStaysAsLongAsTheLongerUnlessTheVoiceIsToTell(): void
    {
        // A breath of half a second before and after a voice: 3 s of it are 120 frames, 9 s are 300.
        self::assertSame([200], self::stays(self::story([['voice' => 3.0]])));
        self::assertSame([300], self::stays(self::story([['voice' => 9.0]])));
        self::assertSame([120], self::stays(self::story([['voice' => 3.0, 'part' => ['lasts' => 'voice']]])));
        self::assertSame([300], self::stays(self::story([['voice' => 9.0, 'part' => ['lasts' => 'voice']]])));
        $last = self::clip(self::plan(self::story([['voice' => 9.0]])));
        self::assertSame(199, $last->frame(299), 'it holds its last frame');
    }

    private static function play(Story $story, int $n = 0): Play
    {
        return self::plan($story)->plays(Bus::Clip)[$n];
    }

    public function testItIsHeardWithItsVeryFrames(): void
    {
        $plan = self::plan(self::story([['part' => ['from' => 50, 'to' => 110]], ['part' => ['from' => 30]]]));
        foreach ($plan->plays(Bus::Clip) as $i => $play) {
            $scene = $plan->scenes[$i];
            self::assertSame([$scene->start * 1600, $play->from + $play->length()], [$play->at, $play->to]);
            self::assertSame(self::clip($plan, $i)->from * 1600, $play->from);
            self::assertSame(
                min($scene->gone() - $scene->start, self::clip($plan, $i)->to - self::clip($plan, $i)->from) * 1600,
                $play->length(),
            );
            self::assertSame("s{$i}", $play->slide);
        }
    }

    public function testItComesToTheFilmsLoudnessAndComesAndGoesWithItsSlide(): void
    {
        $story = self::story([[], []]);
        $second = self::play($story, 1);
        $full = Loudness::factor(Loudness::TARGET + 22.0);

        self::assertEqualsWithDelta(0, $second->gainAt($second->at), 1e-6);
        self::assertEqualsWithDelta(
            $full * sin(\M_PI_4),
            $second->gainAt($second->at + 24_000),
            0.01,
            'half of the power in the middle of the transition',
        );
        self::assertEqualsWithDelta($full, $second->gainAt($second->at + 60_000), 1e-4);
        self::assertEqualsWithDelta($full * cos(\M_PI_4), self::play($story)->gainAt($second->at + 24_000), 0.01);
        self::assertEqualsWithDelta(0, self::play($story)->gainAt($second->at + 48_000), 1e-6);
    }

    public function testAtACutItNeitherBeginsNorEndsWithAClick(): void
    {
        $first = self::play(self::story([[], []], crossfade: 0));
        $full = Loudness::factor(Loudness::TARGET + 22.0);
        foreach ([[$first->at, 1], [$first->end(), -1]] as [$edge, $inwards]) {
            self::assertEqualsWithDelta(0, $first->gainAt($edge), 1e-6);
            self::assertGreaterThan(0.2 * $full, $first->gainAt($edge + $inwards * 240), 'after 5 ms');
            self::assertLessThan(0.9 * $full, $first->gainAt($edge + $inwards * 240), 'not at once');
            self::assertEqualsWithDelta($full, $first->gainAt($edge + $inwards * 1_200), 1e-4, 'whole after 25 ms');
        }
    }

    public function testItsLevelIsItsMakersAndAlmostSilenceIsNotRaisedToNoise(): void
    {
        $middle = 100 * 1600;
        self::assertEqualsWithDelta(
            Loudness::factor(6.0 - 9.0),
            self::play(self::story([['part' => ['level' => -9]]]))->gainAt($middle),
            1e-4,
        );
        self::assertEqualsWithDelta(Loudness::factor(ClipSounds::MOST_GAIN), self::play(self::story([[]], -60.0))->gainAt($middle), 1e-4);
        self::assertSame([], self::plan(self::story([['part' => ['muted' => true]]]))->plays(Bus::Clip));
        self::assertSame([], self::plan(self::story([[]], null))->plays(Bus::Clip));
    }

    /** WCAG 2.2, 1.4.7: what is heard behind speech lies at least 20 dB under it. */
    public function testUnderAVoiceItGivesWay(): void
    {
        $story = self::story([['voice' => 3.0]]);
        $voice = self::plan($story)->plays(Bus::Voice)[0];
        $play = self::play($story);

        self::assertLessThanOrEqual(Loudness::TARGET - 20.0, -22.0 + 20 * log10($play->gainAt($voice->at + 48_000)));
        self::assertEqualsWithDelta(Loudness::factor(6.0), $play->gainAt($voice->end() + 90_000), 1e-4, 'and comes back after it');
    }

    public function testAClipStandsStillInItsFrameUnlessFramesAreSet(): void
    {
        $set = new Framing(Motion::Set, Frame::all(), new Frame(0.5, 0.5, 0.4, 0.4));
        $plan = self::plan(self::story([[], ['framing' => $set]]));

        self::assertTrue($plan->scenes[0]->picture()?->move->isStill());
        self::assertFalse($plan->scenes[1]->picture()?->move->isStill());
        self::assertFalse($plan->scenes[0]->picture()->isStill(), 'but its frames go on');
        self::assertNotSame(
            $plan->scenes[0]->picture()->hash(),
            self::plan(self::story([['part' => ['from' => 1]]]))->scenes[0]->picture()?->hash(),
        );
    }

    public function testShownWholeItLiesInTheMiddle(): void
    {
        $plan = self::plan(self::story([
            ['fit' => Fit::Whole, 'recipe' => new Recipe(turn: 90)],
            ['fit' => Fit::Whole, 'recipe' => new Recipe(crop: new Frame(0, 0, 1, 0.25))],
        ]));

        self::assertSame(Form::Whole, $plan->scenes[0]->picture()?->rendition->form);
        // 9:16 in 16:9 takes 81 of 256 of its width; 64:9 takes a quarter of its height.
        self::assertEqualsWithDelta([0.5 - 81 / 512, 0, 81 / 256, 1], array_values(self::clip($plan)->box->toArray()), 1e-4);
        self::assertEqualsWithDelta([0, 0.375, 1, 0.25], array_values(self::clip($plan, 1)->box->toArray()), 1e-4);
        self::assertTrue(self::clip(self::plan(self::story([[]])))->box->equals(Frame::all()));
    }

    /** What moves is now dark and now light. */
    public function testWordsOnAClipStandOnAPlate(): void
    {
        $story = self::story([['caption' => 'A fact']]);
        $dark = new LightMap(str_repeat("\0\x10", LightMap::COLUMNS * LightMap::ROWS));
        $planned = static fn(Story $story): array => (new Planner(
            new EvenWidths(),
            new IcuCatalogue(),
        ))->plan($story, ['p' => $dark])->scenes[0]->words();

        self::assertNotNull($planned($story)[0]->block->plates[0] ?? null);
        self::assertSame([], $planned($story->withAsset(Stories::picture()))[0]->block->plates, 'on a dark picture they need none');
    }

    public function testAnotherPictureHasNoPart(): void
    {
        $story = self::story([['part' => ['from' => 20, 'level' => -3]]])->withAsset(Stories::moving(50, null, 'other'));
        $other = (new SetPicture('s0', 'other'))->apply($story);

        self::assertNull($other->slides[0]->picture()?->part);
        $told = (new SetLayers(['s0'], LayerKind::Picture, ['asset' => 'other']))->apply($story);
        self::assertNull($told->slides[0]->picture()?->part);
        $moved = (new SetLayers(['s0'], LayerKind::Picture, ['recipe' => ['turn' => 90]]))->apply($story);
        self::assertEquals(new Part(20, null, -3.0), $moved->slides[0]->picture()?->part);
    }

    public function testCutInTwoTheSecondHalfGoesOnAndTheFirstSaysWhatWasSaid(): void
    {
        $story = self::story([['voice' => 3.0, 'script' => 'Here it comes.', 'stay' => 9.0, 'part' => ['from' => 20, 'to' => 150, 'level' => -3]], []]);
        $cut = (new CutClip('s0', 90, 'rest'))->apply($story)->checked();
        [$first, $rest] = $cut->slides;

        self::assertSame(['s0', 'rest', 's1'], array_map(static fn(Slide $slide): string => $slide->id, $cut->slides));
        self::assertEquals([new Part(20, 90, -3.0), new Part(90, 150, -3.0)], [$first->picture()?->part, $rest->picture()?->part]);
        self::assertSame([1, 'Here it comes.', 0, ''], [\count($first->voice), $first->script, \count($rest->voice), $rest->script]);
        self::assertSame([null, null], [$first->stay, $rest->stay]);
        self::assertSame(range(20, 149), [...self::seen($cut, 0, 70), ...self::seen($cut, 1, 60)]);
        // Of all of a clip, and at its very ends.
        self::assertNull((new CutClip('s1', 199, 'rest'))->apply($story)->slides[2]->picture()?->part?->to);
        foreach ([['s0', 20], ['s0', 150], ['s1', 0], ['s1', 200]] as [$slide, $frame]) {
            try {
                (new CutClip($slide, $frame, 'rest'))->apply($story);
                self::fail("{$slide} was cut at {$frame}");
            } catch (Refused $problem) {
                self::assertSame('edit.no-cut', $problem->said->code);
            }
        }
    }

    /** @return list<int> */
    private static function seen(Story $story, int $scene, int $frames): array
    {
        return array_map(self::clip(self::plan($story), $scene)->frame(...), range(0, $frames - 1));
    }

    public function testWhatIsToldOfAPartChangesNothingElseOfIt(): void
    {
        $story = self::story([['part' => ['from' => 20, 'to' => 90, 'level' => -3]]]);
        $part = static fn(array $changes): ?Part => (new SetLayers(
            ['s0'],
            LayerKind::Picture,
            ['part' => $changes],
        ))->apply($story)->slides[0]->picture()?->part;

        self::assertEquals(new Part(20, null, -3.0), $part(['to' => null]));
        self::assertEquals(new Part(20, 90, -3.0, lasts: Lasts::Voice), $part(['lasts' => 'voice']));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        yield 'beyond its end' => [['to' => 201]];
        yield 'begun after its end' => [['from' => 200]];
        yield 'ended before it begins' => [['from' => 20, 'to' => 20]];
        yield 'before its beginning' => [['from' => -1]];
        yield 'too loud' => [['level' => 13]];
        yield 'half a frame' => [['from' => 1.5]];
        yield 'neither' => [['lasts' => 'never']];
    }

    /** @param array<string, mixed> $part */
    #[DataProvider('wrong')]
    public function testAPartThatIsNoneIsRefused(array $part): void
    {
        $this->expectException(Malformed::class);
        EditReader::read(
            Fields::of(['do' => 'set layers', 'slides' => ['s0'], 'kind' => 'picture', 'changes' => ['part' => $part]]),
        )->apply(self::story([[]]))->checked();
    }

    public function testAPictureHasNoPart(): void
    {
        $story = (new SetLayers(['s0'], LayerKind::Picture, ['part' => ['from' => 0]]))->apply(Stories::of([[]]));

        $this->expectException(Malformed::class);
        $story->checked();
    }

    public function testEyesAreMarkedInPicturesOnly(): void
    {
        $story = self::story([[]]);
        $faces = new Picture('p', 'p.mp4', 1920, 1080, matters: Stories::matters(new Frame(0.4, 0.2, 0.2, 0.3)), clip: new Clip(200));

        self::assertEquals($story->withAsset($faces), (new MarkEyes(['s0']))->apply($story->withAsset($faces)));
    }

    public function testItIsWrittenAndReadAsItIs(): void
    {
        $story = self::story([['part' => ['from' => 20, 'to' => 90, 'level' => -3, 'muted' => true, 'lasts' => 'voice']], []]);

        self::assertEquals($story, Story::fromJson($story->toJson()));
        self::assertSame(200, $story->clipOf($story->slides[0])?->frames);
    }
}
