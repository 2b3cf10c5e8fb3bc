<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

/** When the words of a slide's script are said is told to who may see the story, and follows what is written. */
final class SpokenTest extends AppTestCase
{
    public function testTheWordsOfASilentSlideAreSharedOutOverItsTime(): void
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        $path = "/api/stories/{$story}/slides/{$slide}/spoken.json";
        self::assertSame(
            ['spoken' => false, 'samples' => 0, 'sentences' => [], 'repeats' => [], 'pauses' => [], 'words' => []],
            array_diff_key($this->told('GET', $path), ['zero' => 0, 'beside' => 0]),
        );

        $this->edit($story, ['do' => 'set script', 'slide' => $slide, 'script' => 'The reeds  bend, always.']);
        $told = $this->told('GET', $path);
        $words = self::at($told, 'words');
        self::assertIsArray($words);
        self::assertSame(['The', 'reeds', 'bend,', 'always.'], array_column($words, 'text'));
        self::assertSame(self::number($told, 'zero'), self::number($told, 'words', 0, 'at'), 'from when it is seen alone');
        $this->told('GET', "/api/stories/{$story}/slides/nowhere/spoken.json", null, 404);
    }

    public function testAStopComesToItsWordInThePlan(): void
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        $frame = static fn(float $x): array => ['x' => $x, 'y' => 0.1, 'width' => 0.5, 'height' => 0.5];
        $this->edit($story, ['do' => 'set script', 'slide' => $slide, 'script' => 'The reeds bend, always.']);
        $this->edit($story, ['do' => 'set stay', 'slides' => [$slide], 'stay' => 20]);
        $this->edit($story, ['do' => 'set layers', 'slides' => [$slide], 'kind' => 'picture', 'changes' => ['fit' => 'fill', 'framing' => [
            'motion' => 'set', 'opensOn' => $frame(0.0), 'closesOn' => $frame(0.0), 'stops' => [['frame' => $frame(0.4), 'word' => 3]],
        ]]]);
        $at = self::number($this->told('GET', "/api/stories/{$story}/slides/{$slide}/spoken.json"), 'words', 3, 'at');
        $view = $this->told('GET', "/api/stories/{$story}");
        $path = self::at($view, 'plan', 'scenes', 1, 'layers', 0, 'path');
        self::assertIsArray($path);
        $shares = [];
        foreach (array_keys($path) as $i) {
            if (abs(self::number($view, 'plan', 'scenes', 1, 'layers', 0, 'path', $i, 'frame', 'x') - 0.4) < 0.01) {
                $shares[] = self::number($view, 'plan', 'scenes', 1, 'layers', 0, 'path', $i, 'at');
            }
        }
        $frames = self::number($view, 'plan', 'scenes', 1, 'end') + self::number($view, 'plan', 'scenes', 1, 'transition', 'frames')
            - self::number($view, 'plan', 'scenes', 1, 'start');

        self::assertNotSame([], $shares, 'it is seen from there');
        self::assertEqualsWithDelta($at, $shares[0] * $frames / 30, 0.01);
    }

    /** @param array<string, mixed> $told */
    private static function number(array $told, int|string ...$path): float
    {
        $number = self::at($told, ...$path);
        self::assertIsNumeric($number);

        return (float) $number;
    }
}
