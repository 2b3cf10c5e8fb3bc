<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Edit\EditReader;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Core\Words\Dealing;
use Rhapsode\Core\Words\DealWay;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;

/** A text that was pasted becomes the scripts of slides, and so do captions. */
final class DealingTest extends TestCase
{
    /** @return iterable<string, array{string, int, DealWay, list<string>}> */
    public static function texts(): iterable
    {
        yield 'by empty lines' => ["One.\nStill one.\n\nTwo.\n \nThree.", 5, DealWay::Parts, ["One.\nStill one.", 'Two.', 'Three.']];
        yield 'by headings, which nobody reads' => ["# The tide\nOne.\n## Noon\n\nTwo.", 5, DealWay::Parts, ['One.', 'Two.']];
        yield 'what is left over is the last one’s' => ["One.\r\n\r\nTwo.\r\n\r\nThree.", 2, DealWay::Parts, ['One.', "Two.\n\nThree."]];
        yield 'evenly' => ['It rose. It fell. It came back. It went away.', 2, DealWay::Evenly, ['It rose. It fell.', 'It came back. It went away.']];
        yield 'a sentence each, and no more' => ['It rose. It fell.', 4, DealWay::Evenly, ['It rose.', 'It fell.']];
        yield 'one long sentence does not starve those after it' => [
            'Long before anybody thought of building a lighthouse on that rock the sea was there already. It rose. It fell.', 3, DealWay::Evenly,
            ['Long before anybody thought of building a lighthouse on that rock the sea was there already.', 'It rose.', 'It fell.'],
        ];
        yield 'nothing' => [" \n\n ", 3, DealWay::Parts, []];
    }

    /** @param list<string> $expected */
    #[DataProvider('texts')]
    public function testIsDealt(string $text, int $slides, DealWay $way, array $expected): void
    {
        self::assertSame($expected, Dealing::over($text, $slides, $way, 'en'));
    }

    public function testNoWordIsLostAndNoneIsSaidTwice(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 200; ++$round) {
            $words = [];
            $text = '';
            for ($i = 0, $count = mt_rand(1, 60); $i < $count; ++$i) {
                $words[] = $word = 'w' . $i;
                $text .= $word . [' ', ' ', ', ', '. ', ".\n\n", "!\n"][mt_rand(0, 5)];
            }
            $slides = mt_rand(1, 12);
            foreach (DealWay::cases() as $way) {
                $parts = Dealing::over($text, $slides, $way, 'en');
                self::assertLessThanOrEqual($slides, \count($parts));
                self::assertNotContains('', $parts);
                preg_match_all('/w\d+/', implode(' ', $parts), $found);
                self::assertSame($words, $found[0]);
            }
        }
    }

    public function testTheSlidesFromOneOnHaveIt(): void
    {
        $story = Stories::of([['script' => 'Stays.'], [], ['script' => 'Goes.'], []]);
        $scripts = static fn(Story $story): array => array_map(static fn(Slide $slide): string => $slide->script, $story->slides);
        $deal = static fn(string $text): Story => EditReader::read(Fields::of(['do' => 'deal script', 'from' => 's1', 'text' => $text]))->apply($story);
        self::assertSame(['Stays.', 'One.', 'Two.', ''], $scripts($deal("One.\n\nTwo.")));
        self::assertSame(['Stays.', 'It rose.', 'It fell.', 'It came back.'], $scripts($deal('It rose. It fell. It came back.')), 'without parts it is dealt evenly');
    }

    public function testTheCaptionsOfAFileBecomeScriptsWhereTheyAreShown(): void
    {
        $story = Stories::of([['voice' => 4.0], ['voice' => 4.0]])->with(captions: [
            new TimedCaption(500, 1500, "It rose\nat six."), new TimedCaption(1600, 3000, 'It fell.'), new TimedCaption(6500, 8000, 'It slept.'),
        ]);
        $made = EditReader::read(Fields::of(['do' => 'scripts from captions']))->apply($story);
        self::assertSame(['It rose at six. It fell.', 'It slept.'], array_map(static fn(Slide $slide): string => $slide->script, $made->slides));
        self::assertNull($made->captions, 'they are made from the scripts from now on');
    }

    public function testALineIsASentenceWhateverItEndsWith(): void
    {
        $breaks = array_map(static fn(Unit $unit): string => trim($unit->text) . $unit->break, Units::of("the tide\ncame in, again\n", 'en'));
        self::assertSame(['the0', 'tide2', 'came0', 'in,1', 'again2'], $breaks);
    }

    public function testACopyToBeToldAgainKeepsItsScriptsBeside(): void
    {
        $story = Stories::of([['voice' => 2.0, 'script' => 'It rose.'], []]);
        $copy = $story->untold();
        self::assertSame(['It rose.', ''], array_map(static fn(Slide $slide): string => $slide->toldBefore, $copy->slides));
        self::assertSame(['p'], array_keys($copy->assets), 'no voice is in it');
        $renamed = $story->withAssetIds(['p' => 'new', 't0' => 'other']);
        self::assertSame(['new', 'other'], array_keys($renamed->assets));
        self::assertSame(['new', 'other'], $renamed->slides[0]->assets());
        self::assertEquals($copy, Story::fromArray($copy->toArray()));
    }
}
