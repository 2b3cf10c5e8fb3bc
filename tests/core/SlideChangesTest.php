<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideChange;
use Rhapsode\Core\Story\SlideChanges;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

final class SlideChangesTest extends TestCase
{
    /**
     * @param list<Slide> $before
     * @param list<Slide> $now
     *
     * @return array<string, string> by slides where they were, where they are and what changed
     */
    private static function told(array $before, array $now): array
    {
        $told = [];
        foreach (SlideChanges::between(new Story('S', $before), new Story('S', $now)) as $one) {
            $told[$one->slide] = self::sentence($one);
        }

        return $told;
    }

    private static function sentence(SlideChange $one): string
    {
        return ($one->was ?? '-') . ' > ' . ($one->is ?? '-') . ': ' . implode(', ', $one->toArray()['kinds']);
    }

    /** @return list<Slide> */
    private static function slides(string ...$ids): array
    {
        return array_values(array_map(static fn(string $id): Slide => Slide::showing($id, "picture-{$id}"), $ids));
    }

    public function testNothingChanged(): void
    {
        self::assertSame([], self::told(self::slides('a', 'b', 'c'), self::slides('a', 'b', 'c')));
    }

    public function testSlidesComeAndGo(): void
    {
        self::assertSame(['d' => '- > 2: added', 'b' => '2 > -: removed'], self::told(self::slides('a', 'b', 'c'), self::slides('a', 'd', 'c')));
    }

    /** As few as can have been moved: one that was taken to the end is one, and not all the others. */
    public function testSlidesAreMoved(): void
    {
        self::assertSame(['a' => '1 > 5: moved'], self::told(self::slides('a', 'b', 'c', 'd', 'e'), self::slides('b', 'c', 'd', 'e', 'a')));
        self::assertSame(['e' => '5 > 1: moved'], self::told(self::slides('a', 'b', 'c', 'd', 'e'), self::slides('e', 'a', 'b', 'c', 'd')));
        self::assertCount(2, self::told(self::slides('a', 'b', 'c'), self::slides('c', 'b', 'a')));
        self::assertSame([1 => '1 > 2: moved'], self::told(self::slides('1', '2'), self::slides('2', '1')), 'ids may look like numbers');
        // One that is gone moves nobody.
        self::assertSame(['a' => '1 > -: removed'], self::told(self::slides('a', 'b', 'c'), self::slides('b', 'c')));
    }

    public function testWhatOfASlideChanged(): void
    {
        [$a] = self::slides('a');
        $spoken = $a->with(voice: [new Span('t', 0, 48_000)]);
        $all = [
            'picture' => Slide::showing('a', 'another'),
            'words' => $a->withLayer(new WordsLayer('caption', WordsRole::Caption, 'A fact')),
            'voice' => $spoken,
            'script' => $a->with(script: 'Once there was'),
            'look' => $a->with(stay: 7.0),
        ];
        foreach ($all as $kind => $changed) {
            self::assertSame(['a' => "1 > 1: {$kind}"], self::told([$a], [$changed]));
            self::assertSame(['a' => "1 > 1: {$kind}"], self::told([$changed], [$a]));
        }
        self::assertSame(['a' => '1 > 1: voice, script'], self::told([$spoken], [$a->with(script: 'x')]));
    }
}
