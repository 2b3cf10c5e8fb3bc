<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\Wording;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Presence;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Quotation;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Studio\Messages\IcuCatalogue;

/** Names and quotations: words with a line below them that says who. */
final class WordsRolesTest extends TestCase
{
    private static function story(WordsLayer ...$words): Story
    {
        $story = Stories::of([['stay' => 60.0]]);
        $slide = $story->slides[0];

        return $story->with(slides: [$slide->with(layers: [...$slide->layers, ...$words])]);
    }

    private static function planned(WordsLayer $words): PlannedWords
    {
        return (new Planner(new EvenWidths(), new IcuCatalogue()))->plan(self::story($words))->scenes[0]->words()[0];
    }

    public function testANameStandsOnAPlateWithWhatTheyAreInSmallerLettersBelow(): void
    {
        $words = self::planned(new WordsLayer('n', WordsRole::Name, 'Ann', null, by: 'keeper of the gate'));
        [$name, $what] = $words->block->lines;

        self::assertSame(['Ann', 'keeper of the gate'], [$name->text, $what->text]);
        self::assertLessThan($name->size, $what->size);
        self::assertGreaterThanOrEqual($name->y + $name->size, $what->y);
        self::assertSame([Spot::BottomLeft, 'left', 'left'], [$words->place, $name->align, $what->align]);
        self::assertCount(1, $words->block->plates);
        self::assertGreaterThanOrEqual($what->y + $what->size, $words->block->plates[0]->y + $words->block->plates[0]->height);
        self::assertSame([], self::planned(
            new WordsLayer('n', WordsRole::Name, 'Ann', look: new WordsLook(backing: Backing::None)),
        )->block->plates, 'but as it is told');
    }

    public function testAQuotationStandsBetweenTheMarksOfItsLanguageWithWhoSaidIt(): void
    {
        $words = self::planned(new WordsLayer('q', WordsRole::Quotation, 'The sea pays the miller', null, by: 'a ferryman'));

        self::assertSame(['“The sea pays the miller”', '— a ferryman'], array_map(static fn($line): string => $line->text, $words->block->lines));
        self::assertSame([Face::Reading, Spot::Middle], [$words->block->lines[0]->type->face, $words->place]);
    }

    /** @return iterable<array{string, string}> Unicode CLDR, delimiters of each locale */
    public static function marks(): iterable
    {
        yield ['en', '“Low water”'];
        yield ['de', '„Low water“'];
        yield ['fr', '«Low water»'];
        yield ['ja', '「Low water」'];
        yield ['xx', '“Low water”'];
    }

    #[DataProvider('marks')]
    public function testMarksAreThoseOfTheLanguage(string $language, string $marked): void
    {
        self::assertSame($marked, Quotation::marked(' Low water ', $language));
        self::assertSame('«Low water»', Quotation::marked('«Low water»', $language), 'its own stay');
        self::assertSame('', Quotation::marked(' ', $language));
    }

    public function testWhoIsQuotedStandsInTheCreditsOnce(): void
    {
        $quoted = static fn(string $id, string $by, WordsRole $role = WordsRole::Quotation): WordsLayer => new WordsLayer($id, $role, 'Said', by: $by);
        $story = self::story($quoted('a', 'Bo'), $quoted('b', 'Bo'), $quoted('c', ''), $quoted('d', 'a miller', WordsRole::Name));

        // The picture's own entry stands before.
        self::assertSame(['Words by Bo'], \array_slice(Credits::entries($story, new Wording(new IcuCatalogue(), 'en')), 1));
        self::assertSame(['Zitat: Bo'], \array_slice(Credits::entries($story, new Wording(new IcuCatalogue(), 'de')), 1));
    }

    public function testTheyAreWrittenAndReadAsTheyAre(): void
    {
        foreach (WordsRole::cases() as $role) {
            $words = new WordsLayer('w', $role, 'Ann', null, Presence::between(1.0, 2.0), by: 'a miller');
            self::assertEquals($words, WordsLayer::read('w', Fields::of($words->toArray())));
        }
        self::assertArrayNotHasKey('by', (new WordsLayer('w', WordsRole::Name, 'Ann'))->toArray());
    }

    public function testALongDescriptionStaysReadableAndTakesItsTimeToRead(): void
    {
        $long = trim(str_repeat('keeper of gates ', 7));
        $block = self::planned(new WordsLayer('n', WordsRole::Name, 'Ann', by: $long))->block;
        self::assertTrue($block->fits);
        foreach ($block->lines as $line) {
            self::assertGreaterThanOrEqual(24.0, $line->size);
            self::assertLessThanOrEqual(0.95 * $block->width, $line->left() + $line->width);
        }
        $rules = static function (string $by): array {
            $story = self::story(new WordsLayer('n', WordsRole::Name, 'Ann', by: $by));
            $story = $story->with(slides: [$story->slides[0]->with(stay: 3.0)]);
            $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);

            return array_map(static fn($finding): string => $finding->rule, Proof::read($story, $plan));
        };
        self::assertNotContains('too-fast-to-read', $rules(''));
        self::assertContains('too-fast-to-read', $rules($long));
    }
}
