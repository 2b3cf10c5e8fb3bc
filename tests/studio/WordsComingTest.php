<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Layer\Words\PlannedPointer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Plan\Scene;

/** In the made film's own pixels: words that are written, that come up, that light up, and a label's line. */
final class WordsComingTest extends TestCase
{
    private const WIDTH = SmallFilm::WIDTH;
    private const HEIGHT = SmallFilm::HEIGHT;

    private SmallFilm $film;

    /**
     * A film of one slide of six seconds over black.
     *
     * @param array<string, mixed> $words
     * @param array<string, mixed> $framing
     */
    private function make(array $words, array $framing = ['motion' => 'still'], string $script = ''): Scene
    {
        $this->film = new SmallFilm(['script' => $script, 'stay' => 6, 'layers' => [['id' => 'w', 'kind' => 'words', ...$words]]], $framing);

        return $this->film->scene;
    }

    /**
     * @param list<int> $one
     * @param list<int> $other
     */
    private static function apart(array $one, array $other): float
    {
        return array_sum(array_map(static fn(int $a, int $b): int => abs($a - $b), $one, $other)) / max(1, array_sum($other));
    }

    /**
     * The row about which what is light lies.
     *
     * @param list<int> $light
     */
    private static function middle(array $light): float
    {
        $weighed = 0.0;
        foreach ($light as $i => $one) {
            $weighed += $one * intdiv($i, self::WIDTH);
        }

        return $weighed / max(1, array_sum($light));
    }

    private static function words(Scene $scene): PlannedWords
    {
        return $scene->words()[0];
    }

    public function testWhatIsWrittenIsSeenAsFarAsCoreTells(): void
    {
        $scene = $this->make([
            'text' => 'Twice a day the sea comes up, and twice a day it goes home', 'size' => 'largest', 'entrance' => 'written', 'comes' => 1,
            'place' => 'middle', 'backing' => 'none',
        ]);
        $reveal = self::words($scene)->reveal;
        self::assertNotNull($reveal);
        $full = $this->film->light(150);
        self::assertGreaterThan(100_000, array_sum($full), 'all is there in the end');
        self::assertLessThan(2000, array_sum($this->film->light(28)), 'and nothing before');
        foreach ([40, 52, 65, 74] as $frame) {
            $written = $reveal->written->at($frame);
            self::assertTrue($written > 0 && $written < 1, 'it is being written');
            $expected = array_map(static fn(int $i): int => (int) round($full[$i] * $reveal->weight(
                $written,
                ($i % self::WIDTH + 0.5) / self::WIDTH,
                (intdiv($i, self::WIDTH) + 0.5) / self::HEIGHT,
            )), range(0, self::WIDTH * self::HEIGHT - 1));
            // Coding moves the edges of letters a little; a frame too early or too late is three times as far off.
            self::assertLessThan(0.12, self::apart($this->film->light($frame), $expected), "frame {$frame}");
        }
    }

    public function testWhatComesUpNeverLeavesItsBoxAndIsThere(): void
    {
        $scene = $this->make(['text' => 'Up it comes', 'size' => 'largest', 'entrance' => 'rise', 'comes' => 1, 'backing' => 'none', 'place' => 'bottom']);
        $planned = self::words($scene);
        self::assertNotNull($planned->rise);
        $body = $planned->block->body();
        $full = $this->film->light(120);
        foreach ([33, 36, 39, 42] as $frame) {
            $light = $this->film->light($frame);
            $below = \array_slice($light, self::WIDTH * (int) ceil(($body->y + $body->height) * self::HEIGHT + 1));
            self::assertLessThan(30, max([0, ...$below]), 'below its box nothing is seen');
            $seen = array_sum($light) / array_sum($full);
            self::assertEqualsWithDelta($planned->opacity()->at($frame), $seen, 0.3, "frame {$frame}");
            // Of what is cut off below the middle is a little higher than of all of it.
            $down = $planned->rise->at($frame) * PlannedWords::RISE * self::HEIGHT;
            self::assertEqualsWithDelta(self::middle($full) + $down, self::middle($light), 1.5 + $down / 2, "frame {$frame}");
        }
        self::assertLessThan(0.08, self::apart($this->film->light(42), $full));
    }

    public function testTheLineOfALabelStaysWithItsPointWhileThePictureMoves(): void
    {
        $scene = $this->make(
            ['text' => 'Here', 'role' => 'label', 'target' => ['x' => 0.62, 'y' => 0.66], 'place' => 'top-left', 'backing' => 'none'],
            ['motion' => 'set', 'opensOn' => ['x' => 0, 'y' => 0, 'width' => 1, 'height' => 1], 'closesOn' => ['x' => 0.35, 'y' => 0.3, 'width' => 0.5, 'height' => 0.5]],
        );
        $pointer = $scene->layers[1];
        self::assertInstanceOf(PlannedPointer::class, $pointer);
        $ends = [];
        foreach ([5, 60, 110, 170] as $frame) {
            $end = $pointer->end($scene->progress($frame));
            $light = $this->film->light($frame);
            // The middle of all that is light about the point is the point.
            [$x, $y] = [$end->x * self::WIDTH, $end->y * self::HEIGHT];
            $sum = [0.0, 0.0, 0.0];
            for ($row = (int) $y - 3; $row <= $y + 7; ++$row) {
                for ($column = (int) $x - 3; $column <= $x + 7; ++$column) {
                    $one = $light[$row * self::WIDTH + $column];
                    $sum = [$sum[0] + $one, $sum[1] + $one * ($column + 0.5), $sum[2] + $one * ($row + 0.5)];
                }
            }
            self::assertGreaterThan(2000, $sum[0], "a dot is seen at frame {$frame}");
            self::assertEqualsWithDelta($x, $sum[1] / $sum[0], 1.6);
            self::assertEqualsWithDelta($y, $sum[2] / $sum[0], 1.6);
            // Half way from the words to it the line is seen.
            $begin = $pointer->begin($scene->progress($frame));
            $half = (int) (($begin->y + $end->y) / 2 * self::HEIGHT) * self::WIDTH + (int) (($begin->x + $end->x) / 2 * self::WIDTH);
            self::assertGreaterThan(120, max($light[$half - 1], $light[$half], $light[$half + 1], $light[$half + self::WIDTH]));
            $ends[] = round($end->x, 2);
        }
        self::assertGreaterThan(2, \count(array_unique($ends)), 'it moves');
    }

    public function testALineLightsUpWhileItIsSaid(): void
    {
        $scene = $this->make(
            ['text' => "The sea comes up the river,\nand it goes home again", 'spoken' => true, 'place' => 'middle', 'size' => 'largest'],
            script: 'The sea comes up the river, and it goes home again.',
        );
        [, $first, $second] = $scene->words();
        $yellow = function (PlannedWords $line, int $frame): bool {
            $pixels = Media::frame($this->film->path, $frame, self::WIDTH, self::HEIGHT);
            [$one] = $line->block->lines;
            $lit = 0;
            for ($y = (int) ($one->y / 2); $y < ($one->y + $one->size) / 2; ++$y) {
                for ($x = (int) ($one->left() / 2); $x < ($one->left() + $one->width) / 2; ++$x) {
                    $at = 3 * ($y * self::WIDTH + $x);
                    $lit += $pixels[$at] > 190 && $pixels[$at + 2] < 130 ? 1 : 0;
                }
            }

            return $lit > 100;
        };
        self::assertSame([true, false], [$yellow($first, 40), $yellow($second, 40)]);
        self::assertSame([false, true], [$yellow($first, 150), $yellow($second, 150)]);
    }
}
