<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\AddPicture;
use Rhapsode\Core\Edit\AddVoice;
use Rhapsode\Core\Edit\Change;
use Rhapsode\Core\Edit\EditReader;
use Rhapsode\Core\Edit\MoveSlides;
use Rhapsode\Core\Edit\PutBeside;
use Rhapsode\Core\Edit\SetPicture;
use Rhapsode\Core\Edit\SetPointing;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Pointing\PointerForm;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\TimedCaption;

final class EditTest extends TestCase
{
    /** @return list<string> */
    private static function order(Story $story): array
    {
        return array_map(static fn(Slide $s): string => $s->id, $story->slides);
    }

    /** @param array<string, mixed> $edit */
    private static function apply(array $edit, ?Story $story = null): Story
    {
        return EditReader::read(Fields::of($edit))->apply($story ?? Stories::of([[], [], ['voice' => 2.0], []]));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function edits(): iterable
    {
        yield 'rename' => [['do' => 'rename', 'title' => 'Another']];
        yield 'add a slide' => [['do' => 'add slide', 'slide' => ['id' => 'new', 'layout' => 'title'], 'after' => 's1']];
        yield 'mark eyes' => [['do' => 'mark eyes', 'slides' => ['s1']]];
        yield 'move slides' => [['do' => 'move slides', 'slides' => ['s3', 's1'], 'after' => null]];
        yield 'delete slides' => [['do' => 'delete slides', 'slides' => ['s0', 's2']]];
        yield 'duplicate slides' => [['do' => 'duplicate slides', 'slides' => ['s0', 's2'], 'copies' => ['c0', 'c2']]];
        yield 'set a title' => [
            ['do' => 'set layer', 'slide' => 's0', 'layer' => 'title', 'kind' => 'words', 'changes' => ['text' => 'One']],
        ];
        yield 'write a first caption' => [[
            'do' => 'set layer',
            'slide' => 's1',
            'layer' => 'caption',
            'kind' => 'words',
            'changes' => ['text' => 'A fact', 'place' => 'top'],
        ]];
        yield 'let words come and go' => [
            ['do' => 'set layer', 'slide' => 's0', 'layer' => 'subtitle', 'kind' => 'words', 'changes' => ['comes' => 1.5, 'goes' => 3.0]],
        ];
        yield 'take a layer off' => [['do' => 'delete layer', 'slide' => 's0', 'layer' => 'subtitle']];
        yield 'trim a clip' => [[
            'do' => 'set layers',
            'slides' => ['s4'],
            'kind' => 'picture',
            'changes' => ['part' => ['from' => 10, 'to' => 60, 'muted' => true]],
        ]];
        yield 'cut a clip' => [['do' => 'cut clip', 'slide' => 's4', 'frame' => 80, 'rest' => 'rest']];
        yield 'lay slides out' => [['do' => 'arrange', 'slides' => ['s1', 's5'], 'layout' => 'large-and-two']];
        yield 'lay words out beside' => [['do' => 'arrange', 'slides' => ['s1'], 'layout' => 'with-words']];
        yield 'change places' => [['do' => 'put in cell', 'slide' => 's5', 'layer' => 'picture', 'cell' => 1]];
        yield 'lay behind' => [['do' => 'raise layer', 'slide' => 's0', 'layer' => 'subtitle', 'by' => -1]];
        yield 'a picture beside' => [['do' => 'put beside', 'slide' => 's1', 'asset' => 'c']];
        yield 'one after another' => [['do' => 'set sequence', 'slides' => ['s5'], 'sequence' => 'evenly']];
        yield 'take one of two off' => [['do' => 'delete layer', 'slide' => 's5', 'layer' => 'picture']];
        yield 'cut one of two clips' => [['do' => 'cut clip', 'slide' => 's5', 'layer' => 'picture-2', 'frame' => 80, 'rest' => 'rest']];
        yield 'turn upright' => [['do' => 'turn upright', 'slides' => ['s1', 's4']]];
        yield 'turn a picture' => [
            ['do' => 'set layer', 'slide' => 's1', 'layer' => 'picture', 'kind' => 'picture', 'changes' => ['recipe' => ['turn' => 90]]],
        ];
        yield 'deal a voice' => [['do' => 'deal voice', 'voice' => [['asset' => 't2b', 'from' => 0, 'to' => 96_000]], 'begins' => [
            ['slide' => 's1', 'at' => 0], ['slide' => 's3', 'at' => 50_000],
        ]]];
        yield 'deal a script' => [['do' => 'deal script', 'from' => 's1', 'text' => "The tide comes in.\n\nThe tide goes out."]];
        yield 'make scripts of captions' => [['do' => 'scripts from captions']];
        yield 'set a script' => [['do' => 'set script', 'slide' => 's1', 'script' => "Say\nthis: 100 % \\ “so”"]];
        yield 'set stays' => [['do' => 'set stay', 'slides' => ['s0', 's1'], 'stay' => 7.5]];
        yield 'share a length out' => [['do' => 'share length', 'slides' => ['s0', 's1', 's3'], 'seconds' => 20]];
        yield 'set transitions' => [['do' => 'set transition', 'slides' => ['s0'], 'transition' => ['kind' => 'cut', 'seconds' => 0]]];
        yield 'a picture of its own as an icon' => [['do' => 'set layer', 'slide' => 's1', 'layer' => 'mark', 'kind' => 'icon', 'changes' => ['asset' => 'p']]];
        yield 'let it rain' => [['do' => 'set drift', 'slides' => ['s0', 's1'], 'drift' => ['kind' => 'rain', 'way' => 'down', 'strength' => 'much']]];
        yield 'vary transitions' => [['do' => 'vary transitions']];
        yield 'set colours of the style' => [['do' => 'set style', 'own' => ['ground' => '#112233', 'heading' => 'hand']]];
        yield 'lay a picture on the ground' => [['do' => 'set style', 'own' => ['picture' => 'p', 'credits' => 'roll']]];
        yield 'set the style' => [['do' => 'set style', 'name' => 'lantern']];
        yield 'set what is usual' => [['do' => 'set style', 'transition' => ['kind' => 'sweep', 'seconds' => 0.5]]];
        yield 'show pictures whole' => [
            ['do' => 'set layers', 'slides' => ['s1', 's3'], 'kind' => 'picture', 'changes' => ['fit' => 'whole']],
        ];
        yield 'still a slide' => [
            ['do' => 'set layers', 'slides' => ['s1'], 'kind' => 'picture', 'changes' => ['framing' => ['motion' => 'still']]],
        ];
        yield 'frame a picture' => [['do' => 'set layer', 'slide' => 's1', 'layer' => 'picture', 'kind' => 'picture', 'changes' => ['framing' => [
            'motion' => 'set', 'opensOn' => [
                'x' => 0,
                'y' => 0,
                'width' => 1,
                'height' => 1,
            ], 'closesOn' => ['x' => 0.2, 'y' => 0.2, 'width' => 0.5, 'height' => 0.5],
        ]]]];
        yield 'drop a take' => [['do' => 'choose voice', 'slide' => 's2', 'asset' => null]];
        yield 'choose a take' => [['do' => 'choose voice', 'slide' => 's0', 'asset' => 't2']];
        yield 'hear a take after another' => [['do' => 'choose voice', 'slide' => 's2', 'asset' => 't2b', 'joined' => true]];
        yield 'name a take' => [['do' => 'set take', 'asset' => 't2', 'changes' => ['name' => 'the calm one', 'speaker' => 'Odo']]];
        yield 'point again' => [[
            'do' => 'set pointing', 'voice' => [['asset' => 't2', 'from' => 48_000, 'to' => 140_000]],
            'strokes' => [['form' => 'light', 'over' => 'p', 'points' => [[100, 0.2, 0.2], [900, 0.6, 0.4]]]],
        ]];
        yield 'point with something else' => [['do' => 'set pointer', 'voice' => [['asset' => 't2', 'from' => 0, 'to' => 9000]], 'form' => 'arrow']];
        yield 'as it was recorded' => [[
            'do' => 'set lowered', 'voice' => [['asset' => 't2', 'from' => 0, 'to' => 9000]], 'what' => 'breaths', 'isLowered' => false,
        ]];
        yield 'put a take away' => [['do' => 'set take', 'asset' => 't2', 'changes' => ['away' => true]]];
        yield 'cut a flub out' => [[
            'do' => 'set voice',
            'slide' => 's2',
            'voice' => [['asset' => 't2', 'from' => 48_000, 'to' => 60_000], ['asset' => 't2', 'from' => 90_000, 'to' => 140_000]],
        ]];
        yield 'leave out what was said' => [[
            'do' => 'leave out',
            'slide' => 's2',
            'voice' => [['asset' => 't2', 'from' => 48_000, 'to' => 240_000]],
            'from' => 0,
            'to' => 24_000,
        ]];
        yield 'shorten pauses' => [['do' => 'shorten pauses', 'slides' => ['s1', 's2'], 'seconds' => 1.0]];
        yield 'keep the silence' => [['do' => 'set trim', 'slide' => 's2', 'trimmed' => false]];
        yield 'set a source' => [
            ['do' => 'set source', 'assets' => ['p'], 'source' => ['title' => 'T', 'author' => 'A', 'link' => '', 'licence' => 'CC0']],
        ];
        yield 'another shape' => [['do' => 'set shape', 'shape' => '9:16']];
        yield 'another language' => [['do' => 'set language', 'language' => 'pt-BR']];
        yield 'lay a bed' => [['do' => 'add bed', 'bed' => ['id' => 'b2', 'asset' => 'm', 'from' => 's1', 'to' => 's2']]];
        yield 'change a bed' => [['do' => 'set bed', 'bed' => 'b', 'changes' => ['under' => 9.5, 'to' => 's2', 'loops' => false]]];
        yield 'take a bed out' => [['do' => 'delete bed', 'bed' => 'b']];
        yield 'credit the music' => [['do' => 'set source', 'assets' => ['m'], 'source' => ['author' => 'Bo']]];
        yield 'captions from the scripts again' => [['do' => 'drop captions']];
        yield 'leave the credits out' => [['do' => 'show credits', 'credits' => false]];
    }

    /** A story that has something of each kind for edits to change. */
    private static function whole(): Story
    {
        $picture = new Picture(
            'p',
            'p.jpg',
            2400,
            1350,
            matters: new Matters([new Frame(0.4, 0.2, 0.2, 0.3)], array_fill(0, 16, 1), array_fill(0, 16, 1)),
            sideways: 90,
        );
        $story = Stories::of(
            [['layout' => Layout::Title, 'subtitle' => 'Below'], [], ['voice' => 4.0, 'pauses' => [[1.0, 2.5]]], []],
        )->withAsset($picture)->withAsset(Stories::moving(200, -20.0, 'c'));
        $story = $story->with(slides: [...$story->slides, Slide::showing('s4', 'c'), Slide::showing('s5', 'p')]);
        $story = (new PutBeside('s5', 'c'))->apply($story);
        $story = (new SetPointing([new Span('t2', 0, 96_000)], [new Stroke(PointerForm::Ring, 'p', [[500, 0.1, 0.1], [900, 0.5, 0.5]])]))->apply($story);
        $story = $story->withAsset(new Voice('t2b', 'b.wav', 96_000, 0, 96_000, -20.0, -3.0));

        return $story->withAsset(new Music('m', 'm.mp3', 960_000, -20.0, -18.0, -3.0))->with(
            beds: [new Bed('b', 'm')],
            captions: [new TimedCaption(0, 900, 'The tide')],
        );
    }

    /** Every edit that a page may send is undone in these tests: none is left out by being forgotten. */
    public function testEveryEditOfTheContractIsTried(): void
    {
        $contract = (string) file_get_contents(\dirname(__DIR__, 2) . '/schema/openapi.yaml');
        preg_match_all("/do: \\{ const: '?([a-z ]+?)'? \\}/", $contract, $found);
        self::assertGreaterThan(20, \count($found[1]));
        $tried = array_map(
            static fn(array $case): string => \is_string($case[0]['do']) ? $case[0]['do'] : '',
            iterator_to_array(self::edits(), false),
        );

        self::assertSame([], array_values(array_diff($found[1], $tried)));
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 120) as $seed) {
            yield [$seed];
        }
    }

    /** Whatever is done to whatever story: what comes of it is a story that can be kept and read again, and all of it can be undone. */
    #[DataProvider('seeds')]
    public function testEditsGiveAStoryOrAreRefused(int $seed): void
    {
        $story = Stories::random($seed);
        self::assertEquals($story, Story::fromJson($story->toJson()), 'as it is');
        // Now and then one that is not there.
        $slide = static fn(): string => 's' . mt_rand(0, \count($story->slides) + 1);
        $done = 0;
        for ($i = 0; $i < 30; ++$i) {
            $edits = [
                ['do' => 'move slides', 'slides' => [$slide(), $slide()], 'after' => 0 === mt_rand(0, 1) ? null : $slide()],
                ['do' => 'delete slides', 'slides' => [$slide()]],
                ['do' => 'duplicate slides', 'slides' => [$slide()], 'copies' => ["c{$i}"]],
                ['do' => 'set stay', 'slides' => [$slide(), $slide()], 'stay' => mt_rand(1, 1200) / 2],
                ['do' => 'share length', 'slides' => [$slide(), $slide(), $slide()], 'seconds' => mt_rand(1, 400)],
                ['do' => 'choose voice', 'slide' => $slide(), 'asset' => 't' . mt_rand(0, 13)],
                ['do' => 'set bed', 'bed' => 'b1', 'changes' => ['from' => $slide(), 'under' => mt_rand(-6, 40)]],
                ['do' => 'set drift', 'slides' => [$slide()], 'drift' => 0 === mt_rand(0, 2) ? null : ['kind' => ['rain', 'snow', 'mist', 'motes'][mt_rand(0, 3)]]],
                ['do' => 'set transition', 'slides' => [$slide()], 'transition' => ['kind' => 'sweep', 'seconds' => mt_rand(0, 30) / 10]],
                [
                    'do' => 'set layer',
                    'slide' => $slide(),
                    'layer' => 'caption',
                    'kind' => 'words',
                    'changes' => ['text' => "Written {$i}"],
                ],
                [
                    'do' => 'set layers',
                    'slides' => [$slide(), $slide()],
                    'kind' => 'picture',
                    'changes' => ['recipe' => ['turn' => 90 * mt_rand(0, 3)]],
                ],
                [
                    'do' => 'leave out',
                    'slide' => $slide(),
                    'voice' => [['asset' => 't' . mt_rand(0, 13), 'from' => 0, 'to' => 800_000]],
                    'from' => mt_rand(0, 400_000),
                    'to' => mt_rand(400_001, 800_000),
                ],
                ['do' => 'shorten pauses', 'slides' => [$slide(), $slide()], 'seconds' => mt_rand(2, 50) / 10],
                ['do' => 'set trim', 'slide' => $slide(), 'trimmed' => 0 === mt_rand(0, 1)],
                ['do' => 'set shape', 'shape' => ['16:9', '4:3', '1:1', '9:16'][mt_rand(0, 3)]],
            ];
            try {
                $after = self::apply($edits[mt_rand(0, \count($edits) - 1)], $story)->checked();
            } catch (Refused|Malformed) {
                continue;
            }
            ++$done;
            self::assertEquals($after, Story::fromJson($after->toJson()));
            self::assertEquals($story, Change::between($story, $after)->undone()->applyTo($after));
            $story = $after;
        }
        self::assertGreaterThan(0, $done, 'some of them can be done');
    }

    /** @param array<string, mixed> $edit */
    #[DataProvider('edits')]
    public function testUndoingGivesBackWhatWasAndRedoingWhatWasDone(array $edit): void
    {
        $before = self::whole();
        $after = self::apply($edit, $before);
        self::assertNotEquals($before, $after, 'the edit does something');

        // As kept in the history: through JSON and back.
        $change = Change::fromArray(
            json_decode((string) json_encode(Change::between($before, $after)->toArray(), \JSON_PRESERVE_ZERO_FRACTION), true),
            $before,
        );

        self::assertEquals($before, $change->undone()->applyTo($after));
        self::assertEquals($after, $change->applyTo($before));
    }

    /** @param array<string, mixed> $edit */
    #[DataProvider('edits')]
    public function testAnEditIsPureAndItsStoryCanBeWrittenAndRead(array $edit): void
    {
        $before = self::whole();
        $copy = $before->toJson();
        $after = self::apply($edit, $before);

        self::assertSame($copy, $before->toJson());
        self::assertEquals($after, Story::fromJson($after->toJson()));
    }

    public function testSlidesMovedTogetherKeepTheirOrder(): void
    {
        self::assertSame(['s0', 's3', 's1', 's2'], self::order((new MoveSlides(['s2', 's1'], 's3'))->apply(Stories::of([[], [], [], []]))));
        self::assertSame(['s2', 's3', 's0', 's1'], self::order((new MoveSlides(['s3', 's2'], null))->apply(Stories::of([[], [], [], []]))));
    }

    public function testMovingToAPlaceThatMovesAlongMeansTheNearestThatStays(): void
    {
        self::assertSame(['s0', 's1', 's2', 's3'], self::order((new MoveSlides(['s1', 's2'], 's2'))->apply(Stories::of([[], [], [], []]))));
    }

    public function testWhatIsNoLongerThereCannotBeMoved(): void
    {
        $this->expectExceptionObject(new Refused('edit.slide-gone'));
        self::apply(['do' => 'move slides', 'slides' => ['gone'], 'after' => null]);
    }

    public function testOnlyATitleSlideTakesATitle(): void
    {
        $this->expectException(Malformed::class);
        self::apply(
            ['do' => 'set layer', 'slide' => 's1', 'layer' => 'title', 'kind' => 'words', 'changes' => ['role' => 'title', 'text' => 'x']],
        )->checked();
    }

    /** Two fields left shortly after each other are two edits on what was seen before both: neither may undo the other. */
    public function testAPartThatIsNotGivenStaysAsItIs(): void
    {
        $story = self::apply(['do' => 'set source', 'assets' => ['p'], 'source' => ['author' => 'Bea']]);
        $story = self::apply(['do' => 'set source', 'assets' => ['p'], 'source' => ['licence' => '']], $story);
        self::assertSame(
            ['title' => 'The mill', 'author' => 'Bea', 'link' => 'https://example.org/mill', 'licence' => ''],
            $story->assets['p']->source->toArray(),
        );
        $caption = static fn(array $changes): array => [
            'do' => 'set layer',
            'slide' => 's0',
            'layer' => 'caption',
            'kind' => 'words',
            'changes' => $changes,
        ];
        $story = self::apply($caption(['place' => 'top']), self::apply($caption(['text' => 'A fact']), $story));
        self::assertSame(
            ['A fact', Spot::Top],
            [$story->slides[0]->words(WordsRole::Caption)?->text, $story->slides[0]->words(WordsRole::Caption)?->place],
        );
        $picture = static fn(array $changes): array => [
            'do' => 'set layers',
            'slides' => ['s0'],
            'kind' => 'picture',
            'changes' => $changes,
        ];
        $story = self::apply($picture(['fit' => 'whole']), self::apply($picture(['framing' => ['motion' => 'still']]), $story));
        self::assertSame([Fit::Whole, Motion::Still], [$story->slides[0]->picture()?->fit, $story->slides[0]->picture()?->framing->motion]);
    }

    public function testAnUnknownEditIsRefused(): void
    {
        $this->expectException(Malformed::class);
        self::apply(['do' => 'add picture', 'id' => 'x', 'picture' => []]);
    }

    public function testANewPictureComesAfterTheSlideItIsMeantToFollow(): void
    {
        $story = Stories::of([[], []]);
        $edit = new AddPicture(new Picture('q', 'q.jpg', 10, 10), 'n', ['gone', 's0', 's1']);

        self::assertSame(['s0', 'n', 's1'], self::order($edit->apply($story)));
        self::assertSame(['s0', 's1', 'm'], self::order((new AddPicture(new Picture('q', 'q.jpg', 10, 10), 'm'))->apply($story)));
    }

    /** Words, voice, and how the picture is shown stay; what was done to the picture was done to that one. */
    public function testAPictureTakesThePlaceOfAnother(): void
    {
        $set = new Framing(Motion::Set, new Frame(0, 0, 0.5, 0.5), new Frame(0.2, 0.2, 0.6, 0.6));
        $story = Stories::of([['voice' => 3.0, 'script' => 'Said.', 'caption' => 'A fact', 'framing' => $set]]);
        $story = self::apply(
            ['do' => 'set layers', 'slides' => ['s0'], 'kind' => 'picture', 'changes' => ['fit' => 'fill', 'recipe' => ['turn' => 180]]],
            $story,
        );
        $old = $story->pictureOf($story->slides[0]);
        self::assertNotNull($old);
        $alike = (new AddPicture(new Picture('q', 'q.jpg', 2 * $old->width, 2 * $old->height), 's0', ['s0']))->apply($story);
        $other = (new AddPicture(new Picture('q', 'q.jpg', 100, 300), 's0'))->apply($story);

        self::assertCount(1, $alike->slides);
        self::assertEquals(
            new PictureLayer($story->slides[0]->picture()->id ?? '', 'q', new Recipe(), Fit::Fill, $set),
            $alike->slides[0]->picture(),
        );
        self::assertEquals(new Framing(), $other->slides[0]->picture()?->framing, 'what was framed is not in it');
        self::assertSame(
            [$story->slides[0]->voice, 'Said.', 'A fact'],
            [$alike->slides[0]->voice, $alike->slides[0]->script, $alike->slides[0]->words(WordsRole::Caption)?->text],
        );
        self::assertArrayHasKey($old->id, $alike->assets, 'the earlier one can be had back');
        self::assertEquals($alike, (new SetPicture('s0', 'q'))->apply($alike), 'done twice, it is done once');
        $this->expectExceptionMessage('edit.asset-gone');
        (new SetPicture('s0', 'none'))->apply($story);
    }

    public function testATakeForADeletedSlideIsKeptAmongTheAssets(): void
    {
        $story = (new AddVoice(new Voice('t', 't.webm', 100, 0, 100, -20, -3), 'gone'))->apply(Stories::of([[]]));

        self::assertArrayHasKey('t', $story->assets);
    }
}
