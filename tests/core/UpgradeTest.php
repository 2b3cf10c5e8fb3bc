<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Edit\Change;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** What was written in version 1 is read for ever: documents here, the films of them in tests/studio/Version1Test. */
final class UpgradeTest extends TestCase
{
    private const TAKE = ['file' => 'one.ogg', 'samples' => 96_000, 'from' => 9_600, 'to' => 90_000, 'loudness' => -20.0, 'peak' => -3.0];

    /** @param array<string, mixed> $more */
    private static function read(array $more): Story
    {
        return Story::fromArray(['version' => 1, 'title' => 'The mill'] + $more);
    }

    public function testASlideOfVersionOneIsItsLayers(): void
    {
        $slide = self::read([
            'slides' => [[
                'id' => 'a', 'kind' => 'picture', 'picture' => 'p', 'fit' => 'whole', 'motion' => 'set',
                'opensOn' => [
                    'x' => 0,
                    'y' => 0,
                    'width' => 1,
                    'height' => 1,
                ], 'closesOn' => ['x' => 0.2, 'y' => 0, 'width' => 0.5, 'height' => 0.5],
                'heading' => 'never shown', 'caption' => [
                    'text' => 'A fact',
                    'place' => 'top',
                ], 'script' => 'Said.', 'take' => 't', 'stay' => 9, 'join' => ['kind' => 'sweep', 'seconds' => 2],
            ]],
            'pictures' => ['p' => ['file' => 'p.jpg', 'width' => 10, 'height' => 10]], 'takes' => ['t' => self::TAKE],
        ])->slides[0];

        self::assertSame(['p', Fit::Whole, Motion::Set, 0.5], [
            $slide->picture()?->asset,
            $slide->picture()?->fit,
            $slide->picture()?->framing->motion,
            $slide->picture()?->framing->closesOn?->width,
        ]);
        self::assertSame(
            ['A fact', Spot::Top],
            [$slide->words(WordsRole::Caption)?->text, $slide->words(WordsRole::Caption)?->place],
        );
        self::assertEquals([new Span('t', 9_600, 90_000)], $slide->voice, 'without the silence around it');
        self::assertSame(
            ['Said.', 9.0, 'sweep', 2.0],
            [$slide->script, $slide->stay, $slide->transition?->kind->value, $slide->transition?->seconds],
        );
        self::assertCount(2, $slide->layers);
    }

    public function testATitleKeepsItsWordsAndAnUntrimmedVoiceItsSilence(): void
    {
        $slide = self::read(['slides' => [[
            'id' => 'a',
            'kind' => 'title',
            'heading' => 'One',
            'subtitle' => 'Two',
            'caption' => ['text' => 'never shown'],
            'take' => 't',
            'trimmed' => false,
        ]], 'takes' => ['t' => self::TAKE]])->slides[0];

        self::assertSame([Layout::Title, 'One', 'Two', null], [
            $slide->layout,
            $slide->words(WordsRole::Title)?->text,
            $slide->words(WordsRole::Subtitle)?->text,
            $slide->words(WordsRole::Caption),
        ]);
        self::assertEquals([new Span('t', 0, 96_000)], $slide->voice);
    }

    /** Three tables became one: what had the same name in two of them is told apart. */
    public function testThingsOfOneNameAreToldApart(): void
    {
        $story = self::read([
            'slides' => [['id' => 'a', 'picture' => '1', 'take' => '1']],
            'pictures' => ['1' => ['file' => 'p.jpg', 'width' => 10, 'height' => 10]], 'takes' => ['1' => self::TAKE],
            'music' => [
                '1' => ['file' => 'm.ogg', 'samples' => 10, 'loudness' => null, 'loudest' => null, 'peak' => -3],
            ], 'beds' => [['id' => 'b', 'music' => '1']],
        ]);

        self::assertSame(['p.jpg', 'one.ogg', 'm.ogg'], [
            $story->pictureOf($story->slides[0])?->file,
            $story->voiceOf($story->slides[0])?->file,
            $story->music($story->beds[0]->asset)?->file,
        ]);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function broken(): iterable
    {
        yield 'a take that is lost' => [['slides' => [['id' => 'a', 'take' => 't']]]];
        yield 'a picture that is a number' => [['slides' => [['id' => 'a', 'picture' => 7]]]];
        yield 'slides that are none' => [['slides' => 'many']];
        yield 'music that is a list of words' => [['music' => ['m' => 'tune']]];
        yield 'a bed of nothing' => [['beds' => [['id' => 'b']]]];
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('broken')]
    public function testWhatWasNoStoryThenIsNoneNow(array $more): void
    {
        $this->expectException(Malformed::class);
        self::read($more);
    }

    /** The history of version 1 kept whole slides, and all music and beds as one: it can still be undone. */
    public function testAChangeOfVersionOneCanBeUndone(): void
    {
        $slide = static fn(string $caption): array => [
            'id' => 'a',
            'picture' => 'p',
            'caption' => ['text' => $caption, 'place' => 'bottom'],
            'script' => '',
            'take' => 't',
            'trimmed' => true,
        ];
        $music = ['m' => ['file' => 'm.ogg', 'samples' => 10, 'loudness' => null, 'loudest' => null, 'peak' => -3.0]];
        $bed = [
            'id' => 'b',
            'music' => 'm',
            'from' => null,
            'to' => null,
            'under' => 16.0,
            'fadeIn' => 2.0,
            'fadeOut' => 3.0,
            'start' => 0.0,
            'loops' => true,
            'ducks' => true,
        ];
        $shared = ['pictures' => ['p' => ['file' => 'p.jpg', 'width' => 10, 'height' => 10]], 'takes' => ['t' => self::TAKE]];
        $before = self::read(['slides' => [$slide('Before')]] + $shared);
        $after = self::read([
            'title' => 'Renamed',
            'slides' => [$slide('After'), ['id' => 'new', 'kind' => 'title']],
            'music' => $music,
            'beds' => [$bed],
        ] + $shared);
        $after = $after->with(title: 'Renamed');
        $change = Change::fromArray([
            'before' => [
                'title' => 'The mill',
                'order' => ['a'],
                'slides:a' => $slide('Before'),
                'slides:new' => null,
                'music' => [],
                'beds' => [],
            ],
            'after' => [
                'title' => 'Renamed',
                'order' => ['a', 'new'],
                'slides:a' => $slide('After'),
                'slides:new' => ['id' => 'new', 'kind' => 'title'],
                'music' => $music,
                'beds' => [$bed],
            ],
        ], $after);

        self::assertEquals($before, $change->undone()->applyTo($after));
        self::assertEquals($after, $change->applyTo($before));
    }
}
