<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\FileOrder;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\Wording;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Proof\Wanted;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\CreditsWay;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Words\FontWidths;

final class PlanTest extends TestCase
{
    private static function wording(Story $story): Wording
    {
        return new Wording(new IcuCatalogue(), $story->language);
    }

    private static function plan(Story $story): Plan
    {
        return (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story);
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 60) as $seed) {
            yield [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testSlidesFollowEachOtherAndTheCreditsCloseTheFilm(int $seed): void
    {
        $story = Stories::random($seed);
        $plan = self::plan($story);
        $at = 0;
        foreach ($plan->scenes as $i => $slide) {
            self::assertSame($at, $slide->start);
            $at = $slide->end;
            self::assertSame($plan->scenes[$i + 1]->comesIn ?? 0, $slide->transition->frames, 'a transition belongs to both its scenes');
        }
        self::assertSame($at, $plan->frames());
        $entries = Credits::shown($story, self::wording($story));
        $pages = CreditsWay::Roll === $story->style->scheme()->credits ? min(1, \count($entries)) : \count(Credits::pages($entries));
        self::assertCount(\count($story->slides) + $pages, $plan->scenes);
        self::assertSame(
            0 === $pages ? $story->slides[\count($story->slides) - 1]->id : "credits-{$pages}",
            $plan->scenes[\count($plan->scenes) - 1]->id,
        );
        foreach ($plan->plays as $play) {
            self::assertLessThanOrEqual($plan->frames() * Rate::SAMPLES_PER_FRAME, $play->end(), 'nothing is heard after the film');
        }
        // What is planned twice is the same, and is JSON.
        self::assertSame(
            json_encode($plan->toArray(), \JSON_THROW_ON_ERROR),
            json_encode(self::plan($story)->toArray(), \JSON_THROW_ON_ERROR),
        );
    }

    /** The words of a film that nobody wrote are in its language: no English in a German film. */
    public function testCreditsAndChaptersSpeakTheStorysLanguage(): void
    {
        $story = Stories::of([['layout' => Layout::Title], []])
            ->withAsset(Stories::picture()->withSource(new Source('', 'Ann', '', 'CC0')))
            ->withAsset(new Music('m', 'm.mp3', 960_000, -20.0, -18.0, -3.0, new Source('Ebbe', 'Bo', '', 'CC0')))
            ->with(beds: [new Bed('b', 'm')]);
        $said = static function (string $language) use ($story): array {
            $plan = self::plan($story->with(language: $language));

            return [...$plan->credits, $plan->scenes[1]->name, $plan->scenes[2]->name];
        };

        self::assertSame(['Picture by Ann · CC0', '“Ebbe” by Bo · CC0', 'Slide 2', 'Credits'], $said('en-GB'));
        self::assertSame(['Bild: Ann · CC0', '„Ebbe“ von Bo · CC0', 'Bild 2', 'Nachweise'], $said('de'));
        self::assertSame(['Image: Ann · CC0', '«Ebbe» de Bo · CC0', 'Image 2', 'Crédits'], $said('fr-CA'));
        self::assertSame(['画像: Ann · CC0', '「Ebbe」, Bo · CC0', 'スライド 2', 'クレジット'], $said('ja'));
        self::assertSame($said('en'), $said('tlh'), 'a language that nobody told us gets English');
    }

    public function testTheSameSourceIsCreditedOnce(): void
    {
        $story = Stories::of([[], [], []]);

        self::assertSame(['“The mill” by Ann · example.org/mill · CC BY 4.0'], Credits::entries($story, self::wording($story)));
        self::assertSame([], Credits::shown($story->with(credits: false), self::wording($story)));
    }

    public function testWhatIsNotShownIsNotCredited(): void
    {
        $story = Stories::of([[]])->with(assets: ['p' => new Picture('p', 'p', 9, 9), 'q' => Stories::picture()]);

        self::assertSame([], Credits::entries($story, self::wording($story)));
        self::assertCount(1, self::plan($story)->scenes);
    }

    public function testManyCreditsFillEvenPages(): void
    {
        $pictures = $slides = [];
        foreach (range(1, 14) as $i) {
            $pictures["p{$i}"] = new Picture("p{$i}", "{$i}.jpg", 1600, 900, new Source("Picture {$i}", 'Ann'));
            $slides[] = Slide::showing("s{$i}", "p{$i}");
        }
        $many = new Story('T', $slides, $pictures);
        $pages = Credits::pages(Credits::shown($many, self::wording($many)));

        self::assertSame([5, 5, 4], array_map(\count(...), $pages));
    }

    public function testNothingIsPlannedFromNothing(): void
    {
        self::assertSame(0, self::plan(new Story('Empty'))->frames());
    }

    public function testProofFindsWhatWouldCostAMark(): void
    {
        $slide = static fn(
            string $id,
            string $picture,
            string $script = '',
            ?string $voice = null,
            Fit $fit = Fit::Auto,
            string $caption = '',
        ): Slide => new Slide(
            $id,
            layers: [
                new PictureLayer('picture', $picture, fit: $fit),
                ...('' === $caption ? [] : [new WordsLayer('caption', WordsRole::Caption, $caption)]),
            ],
            script: $script,
            voice: null === $voice ? [] : [new Span($voice, 0, 96_000)],
        );
        $story = new Story('T', [
            $slide('a', 'small', fit: Fit::Fill, caption: str_repeat('many words ', 27)),
            $slide('b', 'upright', 'Never spoken.', fit: Fit::Fill),
            $slide('c', 'fine', voice: 'quiet'),
            $slide('d', 'fine', 'x', 'loud'),
            $slide('e', 'fine', 'x', 'silent'),
        ], [
            'small' => new Picture('small', 's.jpg', 400, 225),
            'upright' => new Picture('upright', 'u.jpg', 2000, 3000, new Source('U', '', '', 'CC0')),
            'fine' => Stories::picture(),
            'quiet' => new Voice('quiet', 'q', 96_000, 0, 96_000, -45, -20),
            'loud' => new Voice('loud', 'l', 96_000, 0, 96_000, -9, 0.3),
            'silent' => new Voice('silent', 's', 96_000, 0, 96_000, null, -90),
        ]);
        $found = array_merge(...array_map(
            static fn(Finding $f): array => array_map(
                static fn(int|string $slide): string => "{$f->rule}@{$slide}",
                [] === $f->slides ? [''] : array_keys($f->slides),
            ),
            Proof::read($story, self::plan($story), new Wanted(60, 180)),
        ));

        self::assertEqualsCanonicalizing([
            'no-title@a', 'too-short@', 'no-source@a', 'small-picture@a', 'too-fast-to-read@a', 'words-too-long@a',
            'half-source@b', 'much-cropped@b', 'script-unspoken@b', 'too-quiet@c', 'no-script@c', 'clipped@d', 'silent@e',
        ], $found);
    }

    public function testProofIsContentWithAGoodStory(): void
    {
        $story = Stories::of([['layout' => Layout::Title], ['voice' => 6.0, 'script' => 'The tide comes in.', 'caption' => 'Twice a day']]);

        self::assertSame([], Proof::read($story, self::plan($story)));
    }

    public function testNamesAreSortedAsPeopleMeanThem(): void
    {
        self::assertSame(
            ['1.jpg', '2.jpg', '10.jpg', 'Ärmel.jpg', 'b 2.png', 'B 10.png'],
            FileOrder::sorted(['B 10.png', '10.jpg', 'Ärmel.jpg', '2.jpg', 'b 2.png', '1.jpg']),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function badStories(): iterable
    {
        yield 'not JSON' => ['{'];
        yield 'no title' => ['{"version":1,"title":" "}'];
        yield 'another version' => ['{"version":3,"title":"T"}'];
        yield 'a lost picture' => ['{"version":1,"title":"T","slides":[{"id":"a","picture":"p"}]}'];
        yield 'twice the same slide' => ['{"version":1,"title":"T","slides":[{"id":"a"},{"id":"a"}]}'];
        yield 'a picture of today that is lost' => [
            '{"version":2,"title":"T","slides":[{"id":"a","layers":[{"id":"l","kind":"picture","asset":"p"}]}]}',
        ];
        yield 'two layers of one id' => [
            '{"version":2,"title":"T","slides":[{"id":"a","layers":[{"id":"l","kind":"words"},{"id":"l","kind":"words"}]}]}',
        ];
        yield 'a layer of no kind' => ['{"version":2,"title":"T","slides":[{"id":"a","layers":[{"id":"l","kind":"smoke"}]}]}'];
        yield 'a title on a picture' => [
            '{"version":2,"title":"T","slides":[{"id":"a","layers":[{"id":"l","kind":"words","role":"title"}]}]}',
        ];
        yield 'a voice past its end' => [
            '{"version":2,"title":"T","assets":{"v":{"kind":"voice","file":"v","samples":10,"from":0,"to":10,"loudness":null,"peak":-3}},"slides":[{"id":"a","voice":[{"asset":"v","from":0,"to":11}]}]}',
        ];
        yield 'music for a voice' => [
            '{"version":2,"title":"T","assets":{"m":{"kind":"music","file":"m","samples":10,"loudness":null,"loudest":null,"peak":-3}},"slides":[{"id":"a","voice":[{"asset":"m","from":0,"to":5}]}]}',
        ];
        yield 'a quarter of a turn' => [
            '{"version":2,"title":"T","assets":{"p":{"kind":"picture","file":"p","width":1,"height":1}},"slides":[{"id":"a","layers":[{"id":"l","kind":"picture","asset":"p","recipe":{"turn":45}}]}]}',
        ];
        yield 'a move to nowhere' => [
            '{"version":2,"title":"T","assets":{"p":{"kind":"picture","file":"p","width":1,"height":1}},"slides":[{"id":"a","layers":[{"id":"l","kind":"picture","asset":"p","framing":{"motion":"set"}}]}]}',
        ];
        yield 'an id that climbs' => ['{"version":1,"title":"T","slides":[{"id":"../a"}]}'];
        yield 'a framing outside' => [
            '{"version":1,"title":"T","pictures":{"p":{"file":"p","width":1,"height":1}},"slides":[{"id":"a","picture":"p","opensOn":{"x":0.9,"y":0,"width":0.5,"height":0.5}}]}',
        ];
    }

    #[DataProvider('badStories')]
    public function testWhatIsNotAStoryIsRefused(string $json): void
    {
        $this->expectException(Malformed::class);
        Story::fromJson($json);
    }
}
