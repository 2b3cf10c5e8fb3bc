<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\AddSlide;
use Rhapsode\Core\Edit\Change;
use Rhapsode\Core\Edit\DeleteSlides;
use Rhapsode\Core\Edit\Edit;
use Rhapsode\Core\Edit\MoveSlides;
use Rhapsode\Core\Edit\Order;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetScript;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Two people at one story: undoing one's own leaves what the other has done since. */
final class ChangeTest extends TestCase
{
    /** Mine, then theirs; then mine undone. */
    private static function undone(Story $story, Edit $mine, Edit $theirs): Story
    {
        $first = $mine->apply($story);

        return Change::between($story, $first)->undone()->applyTo($theirs->apply($first));
    }

    private static function caption(string $slide, string $text): Edit
    {
        return new SetLayer($slide, 'caption', LayerKind::Words, ['text' => $text]);
    }

    /** @return list<string> */
    private static function order(Story $story): array
    {
        return array_map(static fn(Slide $slide): string => $slide->id, $story->slides);
    }

    public function testTheOthersPartStays(): void
    {
        $story = Stories::of([['script' => 'Old.', 'caption' => 'Old'], ['script' => 'Old.']]);
        $other = self::undone($story, new SetScript('s0', 'Mine.'), new SetScript('s1', 'Theirs.'));
        self::assertSame(['Old.', 'Theirs.'], array_map(static fn(Slide $s): string => $s->script, $other->slides), 'of another slide');
        $same = self::undone($story, new SetScript('s0', 'Mine.'), self::caption('s0', 'Theirs'));
        self::assertSame(
            ['Old.', 'Theirs'],
            [$same->slides[0]->script, $same->slides[0]->words(WordsRole::Caption)?->text],
            'of the same slide',
        );
    }

    public function testWhatTheOtherWroteOverIsTheirs(): void
    {
        $this->expectException(Refused::class);
        self::undone(Stories::of([['script' => 'Old.']]), new SetScript('s0', 'Mine.'), new SetScript('s0', 'Theirs.'));
    }

    public function testSlidesThatTheOtherPutInTookOutOrMovedStaySo(): void
    {
        $story = Stories::of([[], [], [], []]);
        $added = new AddSlide(Slide::showing('theirs', 'p'), 's3');

        self::assertSame(
            ['s0', 's1', 's2', 's3', 'theirs'],
            self::order(self::undone($story, new AddSlide(Slide::showing('mine', 'p'), 's0'), $added)),
        );
        self::assertSame(['s0', 's1', 's2', 's3', 'theirs'], self::order(self::undone($story, new DeleteSlides(['s1']), $added)));
        self::assertSame(
            ['theirs', 's0', 's1', 's2', 's3'],
            self::order(self::undone($story, new MoveSlides(['s3'], null), $added)),
            'where they put it',
        );
        self::assertSame(['s0', 's2', 's3'], self::order(self::undone($story, new MoveSlides(['s0'], 's3'), new DeleteSlides(['s1']))));
        self::assertSame(
            ['s3', 's0', 's1', 's2'],
            self::order(self::undone($story, new AddSlide(Slide::showing('mine', 'p'), null), new MoveSlides(['s3'], null))),
        );
    }

    public function testASlideThatTheOtherDeletedDoesNotComeBackByUndoingItsText(): void
    {
        $story = Stories::of([['script' => 'Old.'], []]);
        $this->expectException(Refused::class);
        self::undone($story, new SetScript('s0', 'Mine.'), new DeleteSlides(['s0']));
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 200) as $seed) {
            yield [$seed];
        }
    }

    /** Whatever two did: nothing is there twice, and where nobody came between, the list is just as it was. */
    #[DataProvider('seeds')]
    public function testListsAreBroughtTogether(int $seed): void
    {
        mt_srand($seed);
        $ids = array_map(static fn(int $i): string => "s{$i}", range(0, mt_rand(0, 8)));
        $any = static function (array $from, string $new): array {
            shuffle($from);
            $kept = \array_slice($from, 0, mt_rand(0, \count($from)));

            return 0 === mt_rand(0, 1) ? $kept : [...$kept, $new];
        };
        /** @var list<string> $mine */
        $mine = $any($ids, 'mine');
        /** @var list<string> $theirs */
        $theirs = $any($mine, 'theirs');
        $merged = Order::merged($mine, $ids, $theirs);

        self::assertSame($merged, array_values(array_unique($merged)));
        self::assertNotContains('mine', $merged);
        self::assertSame(\in_array('theirs', $theirs, true), \in_array('theirs', $merged, true));
        self::assertSame(
            [],
            array_values(array_diff(array_diff($mine, $theirs), array_diff($mine, $ids), array_diff($mine, $merged))),
            'what they took out stays out',
        );
        self::assertSame($ids, Order::merged($mine, $ids, $mine));
    }
}
