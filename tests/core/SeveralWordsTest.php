<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\DeleteLayer;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Presence;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\OwnPlace;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Core\Words\WordsSize;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Several words on one slide: none lies on others. */
final class SeveralWordsTest extends TestCase
{
    /** @param list<WordsLayer> $words */
    private static function story(array $words, Shape $shape = Shape::Wide): Story
    {
        $story = Stories::of([['stay' => 60.0]])->with(credits: false, shape: $shape);
        $slide = $story->slides[0];

        return $story->with(slides: [$slide->with(layers: [...$slide->layers, ...$words])]);
    }

    /** @return list<PlannedWords> */
    private static function planned(Story $story): array
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->scenes[0]->words();
    }

    public function testNoWordsLieOnOthersThatAreSeenAtTheSameTime(): void
    {
        mt_srand(11);
        $met = 0;
        for ($n = 0; $n < 400; ++$n) {
            [$words, $times] = [[], []];
            for ($i = mt_rand(2, 5); $i > 0; --$i) {
                $comes = 0 === mt_rand(0, 2) ? (float) mt_rand(1, 4) : null;
                $goes = 0 === mt_rand(0, 2) ? ($comes ?? 0) + mt_rand(1, 4) : null;
                $times["w{$i}"] = [$comes ?? 0.0, $goes ?? \INF];
                $words[] = new WordsLayer(
                    "w{$i}",
                    WordsRole::Caption,
                    trim(str_repeat('Water and wood ', mt_rand(1, 5))),
                    [null, ...Spot::cases()][mt_rand(0, 9)],
                    Presence::between($comes, $goes),
                    new WordsLook(0 === mt_rand(0, 1) ? null : WordsSize::cases()[mt_rand(0, 4)]),
                    own: 0 === mt_rand(0, 2) ? Stories::randomPlace() : new OwnPlace(),
                );
            }
            $shape = Shape::cases()[mt_rand(0, 3)];
            $planned = self::planned(self::story($words, $shape));
            self::assertCount(\count($words), $planned);
            foreach ($planned as $i => $one) {
                foreach (\array_slice($planned, $i + 1) as $k => $other) {
                    [$a, $b] = [$times[$words[$i]->id], $times[$words[$i + 1 + $k]->id]];
                    $isTogether = max($a[0], $b[0]) < min($a[1], $b[1]);
                    if ($isTogether && $one->block->fits && $other->block->fits) {
                        ++$met;
                        self::assertEqualsWithDelta(0.0, $one->block->covers()->shared($other->block->covers()), 1e-9, "{$n} {$shape->value}");
                    }
                }
            }
        }
        self::assertGreaterThan(800, $met);
    }

    public function testTheFirstStandsWhereItIsToldAndTheNextBesideIt(): void
    {
        $at = static fn(Spot $place): array => array_map(
            static fn(PlannedWords $words): float => $words->block->covers()->y,
            self::planned(self::story([
                new WordsLayer('a', WordsRole::Caption, 'One', $place),
                new WordsLayer('b', WordsRole::Caption, 'Two', $place),
            ])),
        );
        $alone = static fn(Spot $place): float => self::planned(self::story([
            new WordsLayer('a', WordsRole::Caption, 'One', $place),
        ]))[0]->block->covers()->y;
        foreach ([Spot::Top, Spot::Left, Spot::BottomRight] as $place) {
            self::assertSame($alone($place), $at($place)[0]);
        }
        self::assertGreaterThan($at(Spot::Top)[0], $at(Spot::Top)[1], 'at the top the next stands below');
        self::assertLessThan($at(Spot::BottomRight)[0], $at(Spot::BottomRight)[1], 'at the bottom above');
    }

    public function testWordsThatComeWhenOthersHaveGoneStandInTheirPlace(): void
    {
        [$first, $second] = self::planned(self::story([
            new WordsLayer('a', WordsRole::Caption, 'One', presence: Presence::between(null, 2.0)),
            new WordsLayer('b', WordsRole::Caption, 'Two', presence: Presence::between(2.0)),
        ]));
        self::assertSame($first->block->covers()->y, $second->block->covers()->y);
    }

    public function testWhereThereIsNoRoomForAllProofSaysSo(): void
    {
        $long = trim(str_repeat('Water and wood ', 15));
        $story = self::story(array_map(
            static fn(int $i): WordsLayer => new WordsLayer("w{$i}", WordsRole::Caption, $long, look: new WordsLook(WordsSize::Large)),
            range(1, 5),
        ));
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        self::assertContains('words-too-long', array_map(static fn($finding): string => $finding->rule, Proof::read($story, $plan)));
    }

    public function testTheTimeToReadIsThatOfAllWords(): void
    {
        $rules = static function (int $count): array {
            $words = array_map(
                static fn(int $i): WordsLayer => new WordsLayer("w{$i}", WordsRole::Caption, 'Twice a day the sea goes out', null),
                range(1, $count),
            );
            $story = self::story($words);
            $story = $story->with(slides: [$story->slides[0]->with(stay: 4.0)]);

            return array_map(
                static fn($finding): string => $finding->rule,
                Proof::read($story, (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)),
            );
        };
        self::assertNotContains('too-fast-to-read', $rules(1));
        self::assertContains('too-fast-to-read', $rules(4));
    }

    public function testWordsAreAddedAndTakenOffOneByOne(): void
    {
        $story = self::story([new WordsLayer('a', WordsRole::Caption, 'One')]);
        $more = (new SetLayer('s0', 'b', LayerKind::Words, ['role' => 'caption', 'text' => 'Two', 'place' => 'top']))->apply($story);
        self::assertSame(['One', 'Two'], array_map(static fn(WordsLayer $words): string => $words->text, $more->slides[0]->written()));
        $less = (new DeleteLayer('s0', 'a'))->apply($more);
        self::assertSame(['Two'], array_map(static fn(WordsLayer $words): string => $words->text, $less->slides[0]->written()));
    }

    public function testNoMoreWordsAreTakenThanFindRoom(): void
    {
        $words = static fn(int $count): array => array_map(
            static fn(int $i): WordsLayer => new WordsLayer("w{$i}", WordsRole::Caption, 'One'),
            range(1, $count),
        );
        self::story($words(Limits::WORDS_ON_PICTURE))->slides[0]->check();
        $this->expectException(Malformed::class);
        self::story($words(Limits::WORDS_ON_PICTURE + 1))->slides[0]->check();
    }

    public function testATitleSlideHasRoomForItsTwoWords(): void
    {
        $title = Stories::of([['layout' => Layout::Title]])->slides[0];
        foreach ([new WordsLayer('a', WordsRole::Caption, 'One'), new WordsLayer('a', WordsRole::Subtitle, 'One')] as $more) {
            try {
                $title->with(layers: [...$title->layers, $more])->check();
                self::fail($more->role->value);
            } catch (Malformed $problem) {
                self::assertSame('document.no-room-for-layer', $problem->said->code);
            }
        }
    }
}
