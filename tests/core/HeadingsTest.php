<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\Arrange;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\OwnScheme;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Slides of words alone: titles, parts, and who made it. */
final class HeadingsTest extends TestCase
{
    private static function story(Layout $layout, string $title, string $below = ''): Story
    {
        return Stories::of([[]])->with(slides: [new Slide('a', $layout, [
            new WordsLayer('title', WordsRole::Title, $title),
            new WordsLayer('below', WordsRole::Subtitle, $below),
        ])]);
    }

    private static function plan(Story $story): Plan
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
    }

    /** @return list<string> each line that is written */
    private static function lines(Story $story): array
    {
        $lines = [];
        foreach (self::plan($story)->scenes[0]->words() as $words) {
            foreach ($words->block->lines as $line) {
                $lines[] = $line->text;
            }
        }

        return $lines;
    }

    public function testAHeadingThatSaysNothingSaysWhatItsSlideIsFor(): void
    {
        self::assertSame(['A story'], self::lines(self::story(Layout::Title, '')));
        self::assertSame([], self::lines(self::story(Layout::Part, '')));
        self::assertSame(['Made by', 'Tilda: voice', 'Pim: pictures'], self::lines(self::story(Layout::Closing, '', "Tilda: voice\nPim: pictures")));
        self::assertSame(['Gemacht von'], self::lines(self::story(Layout::Closing, '')->with(language: 'de')));
        self::assertSame('Von {name}', self::plan(self::story(Layout::Title, '')->with(language: 'de'))->by);
        self::assertSame('At low water', self::plan(self::story(Layout::Part, 'At low water'))->scenes[0]->name);
        self::assertSame('Slide 1', self::plan(self::story(Layout::Part, ''))->scenes[0]->name);
    }

    /** @return iterable<string, array{StyleName, Shape, string}> */
    public static function looks(): iterable
    {
        foreach (StyleName::cases() as $style) {
            foreach (Shape::cases() as $shape) {
                foreach (['en', 'ar'] as $language) {
                    yield "{$style->value}, {$shape->value}, {$language}" => [$style, $shape, $language];
                }
            }
        }
    }

    /** WCAG 2.2, 1.4.3; graphics safe area of EBU R 95. */
    #[DataProvider('looks')]
    public function testAllOfItIsReadOnItsGroundAndWithinTheSafeArea(StyleName $style, Shape $shape, string $language): void
    {
        foreach ([Layout::Title, Layout::Part, Layout::Closing] as $layout) {
            $story = self::story($layout, 'When the water of the Wend is low', "Tilda: voice and script\nOskar: pictures\nPim: music\nWren: the map")
                ->with(shape: $shape, language: $language);
            $scene = self::plan($story->with(style: $story->style->named($style)))->scenes[0];
            $beginnings = [];
            foreach ($scene->words() as $words) {
                self::assertTrue($words->block->fits);
                $body = $words->block->covers();
                self::assertGreaterThanOrEqual(Limits::SAFE_EDGE - 0.03, min($body->x, $body->y));
                self::assertLessThanOrEqual(1 - Limits::SAFE_EDGE + 0.03, max($body->x + $body->width, $body->y + $body->height));
                foreach ($words->block->lines as $line) {
                    $ratio = Contrast::ratio(Contrast::luminance($line->colour), Contrast::luminance($scene->ground));
                    self::assertGreaterThanOrEqual(Contrast::LEAST, $ratio, "{$layout->value}: {$line->colour} on {$scene->ground}");
                    self::assertNull($line->edge);
                    $beginnings[] = [$line->align, $line->x];
                }
            }
            // All of it begins at one line, at the side at which reading does.
            self::assertCount(1, array_unique($beginnings, \SORT_REGULAR));
            self::assertSame(Layout::Part === $layout ? ('ar' === $language ? 'right' : 'left') : 'center', $beginnings[0][0]);
        }
    }

    /** A part's ground is the accent, as deep as it must be: of any two colours that somebody may choose. */
    public function testAPartIsClearWhateverColoursWereChosen(): void
    {
        foreach (['#ffffff', '#000000', '#777777', '#c0392b', '#ffd34d', '#2f3f7f'] as $ground) {
            foreach (['#ffffff', '#000000', '#808080', '#c0392b', '#ffd34d', '#3aa655'] as $accent) {
                $part = (new OwnScheme(ground: $ground, accent: $accent))->on(StyleName::Thread->scheme())->forPart();
                $ratio = Contrast::ratio(Contrast::luminance($part->ink), Contrast::luminance($part->ground));
                self::assertGreaterThanOrEqual(Contrast::LEAST, $ratio, "{$accent} beside {$ground}");
                self::assertSame([$part->ink, $part->ink], [$part->soft, $part->accent]);
            }
        }
    }

    public function testWhoMadeItStaysUntilAllAreRead(): void
    {
        $stay = static fn(string $below): float => Pacing::usual(self::story(Layout::Closing, '', $below)->slides[0]);
        self::assertSame(Pacing::USUAL_TITLE, $stay('Tilda'));
        self::assertSame(12.0, $stay(str_repeat('x', 120)));
    }

    public function testOneIsMadeTheOtherAndNeitherAPicture(): void
    {
        $part = (new Arrange(['a'], Layout::Part))->apply(self::story(Layout::Title, 'One', 'Two'));
        self::assertSame(Layout::Part, $part->slides[0]->layout);
        self::assertSame(['One', 'Two'], array_map(static fn(WordsLayer $words): string => $words->text, $part->slides[0]->written()));
        foreach ([[$part, 'a', Layout::Beside], [Stories::of([[]]), 's0', Layout::Closing]] as [$story, $slide, $layout]) {
            try {
                (new Arrange([$slide], $layout))->apply($story);
                self::fail('it was laid out');
            } catch (Refused $refused) {
                self::assertSame('edit.no-arrangement', $refused->said->code);
            }
        }
    }
}
