<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Story\Cells;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** In the made film's own pixels: what lies in cells lies there, on the style's ground, and comes when it is its turn. */
final class ArrangementFilmTest extends TestCase
{
    private const WIDTH = 640;
    private const HEIGHT = 360;

    private Scratch $scratch;
    private string $film;

    /** @param list<array<string, mixed>> $slides of a story that has a red, a green and a blue picture, r, g and b */
    private function make(array $slides, string $style = 'thread'): void
    {
        $this->scratch = new Scratch();
        $folder = $this->scratch->path('story');
        mkdir($folder);
        $assets = [];
        foreach (['r' => '#C00000', 'g' => '#008000', 'b' => '#0000C0'] as $id => $colour) {
            Media::picture("{$folder}/{$id}.jpg", "xc:{$colour}", 1280, 960);
            $assets[$id] = ['kind' => 'picture', 'file' => "{$id}.jpg", 'width' => 1280, 'height' => 960];
        }
        file_put_contents("{$folder}/story.json", json_encode([
            'version' => 2, 'title' => 'Cells', 'style' => ['name' => $style], 'assets' => $assets, 'slides' => $slides, 'credits' => false,
        ], \JSON_THROW_ON_ERROR));
        $this->film = $this->scratch->path('film.mp4');
        Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $this->scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, $this->film, '--size', 'small'],
            120,
            20_000,
        );
    }

    /**
     * @param list<int> $pixels
     *
     * @return list<int> red, green and blue at a share of a box of the slide
     */
    private static function at(array $pixels, Frame $box, float $x, float $y): array
    {
        $column = min(self::WIDTH - 1, (int) (($box->x + $x * $box->width) * self::WIDTH));
        $row = min(self::HEIGHT - 1, (int) (($box->y + $y * $box->height) * self::HEIGHT));

        return \array_slice($pixels, 3 * ($row * self::WIDTH + $column), 3);
    }

    /** @param list<int> $rgb */
    private static function assertColour(string $colour, array $rgb, string $where, int $delta = 14): void
    {
        foreach ([1, 3, 5] as $i => $at) {
            self::assertEqualsWithDelta(hexdec(substr($colour, $at, 2)), $rgb[$i], $delta, $where);
        }
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function picture(string $asset, int $cell, array $more = []): array
    {
        return ['id' => "in{$cell}", 'kind' => 'picture', 'asset' => $asset, 'cell' => $cell, ...$more];
    }

    public function testEachFillsItsCellAndTheGroundIsBetweenThem(): void
    {
        $this->make([['id' => 'a', 'layout' => 'large-and-two', 'stay' => 2, 'layers' => [
            self::picture('r', 0), self::picture('g', 1), self::picture('b', 2, ['framing' => ['motion' => 'still']]),
        ]]], 'tin');
        $mount = StyleName::Tin->scheme()->mount;
        $pixels = Media::frame($this->film, 30, self::WIDTH, self::HEIGHT);
        foreach (Cells::of(Layout::Large, Shape::Wide, $mount->gap) as $i => $cell) {
            foreach ([[0.5, 0.5], [0.1, 0.5], [0.5, 0.9]] as [$x, $y]) {
                self::assertColour(['#C00000', '#008000', '#0000C0'][$i], self::at($pixels, $cell, $x, $y), "cell {$i}");
            }
            // Its corner is round: there is the ground.
            self::assertColour(StyleName::Tin->scheme()->ground, self::at($pixels, $cell, 0.0, 0.0), "corner of {$i}", 30);
        }
        // A line about it, in the style's colour.
        [$first] = Cells::of(Layout::Large, Shape::Wide, $mount->gap);
        self::assertColour((string) $mount->colour, self::at($pixels, $first, 0.005, 0.5), 'line');
        self::assertColour(StyleName::Tin->scheme()->ground, self::at($pixels, new Frame(0, 0, 1, 1), 0.004, 0.5), 'at the edge');
    }

    #[Group('deep')]
    public function testOneAfterAnotherEachFadesInFromTheGround(): void
    {
        $this->make([['id' => 'a', 'layout' => 'beside', 'stay' => 4, 'sequence' => 'evenly', 'layers' => [
            self::picture('r', 0), self::picture('b', 1),
        ]]]);
        $scheme = StyleName::Thread->scheme();
        $cells = Cells::of(Layout::Beside, Shape::Wide, $scheme->mount->gap);
        $at = fn(int $frame, int $cell): array => self::at(Media::frame($this->film, $frame, self::WIDTH, self::HEIGHT), $cells[$cell], 0.5, 0.5);
        foreach ([5, 30, 59, 66, 100] as $frame) {
            self::assertColour('#C00000', $at($frame, 0), "the first, frame {$frame}");
        }
        self::assertColour($scheme->ground, $at(59, 1), 'the second, before its turn');
        self::assertColour('#0000C0', $at(80, 1), 'the second, after it');
        // Half way of twelve frames.
        $half = array_map(static fn(int $i): int => (int) round((hexdec(substr($scheme->ground, $i, 2)) + hexdec(substr('#0000C0', $i, 2))) / 2), [1, 3, 5]);
        foreach ($at(66, 1) as $i => $value) {
            self::assertEqualsWithDelta($half[$i], $value, 20);
        }
    }

    /** A line that moves with its picture is no stream of its own: what comes in meanwhile moves too. */
    #[Group('deep')]
    public function testWhatComesInMovesWhileALabelsLineGoes(): void
    {
        $moves = ['framing' => ['motion' => 'set', 'opensOn' => ['x' => 0, 'y' => 0, 'width' => 1, 'height' => 1], 'closesOn' => ['x' => 0.5, 'y' => 0.5, 'width' => 0.5, 'height' => 0.5]]];
        $slide = static fn(string $id, array $more): array => ['id' => $id, 'stay' => 3, 'transition' => ['kind' => 'crossfade', 'seconds' => 2], 'layers' => [
            ['id' => 'p', 'kind' => 'picture', 'asset' => 'r', ...$moves], ...$more,
        ]];
        $label = [['id' => 'w', 'kind' => 'words', 'role' => 'label', 'text' => 'Here', 'target' => ['x' => 0.9, 'y' => 0.9], 'place' => 'top-left']];
        $films = [];
        foreach ([[], $label] as $more) {
            $this->scratch = new Scratch();
            $folder = $this->scratch->path('story');
            mkdir($folder);
            Media::picture("{$folder}/r.jpg", 'gradient:#000000-#FFFFFF', 1280, 720);
            file_put_contents("{$folder}/story.json", json_encode([
                'version' => 2, 'title' => 'Cells', 'credits' => false,
                'assets' => ['r' => ['kind' => 'picture', 'file' => 'r.jpg', 'width' => 1280, 'height' => 720]],
                'slides' => [$slide('a', $more), $slide('b', [])],
            ], \JSON_THROW_ON_ERROR));
            $film = $this->scratch->path('film.mp4');
            Tool::run(
                ['env', 'XDG_CACHE_HOME=' . $this->scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, $film, '--size', 'small'],
                120,
                20_000,
            );
            // Late in the transition, where the label is hardly seen and the second slide is under way.
            $films[] = Media::frame($film, 90 + 46, self::WIDTH, self::HEIGHT);
        }
        // The middle of the lower edge, away from words and line.
        $row = 3 * (self::WIDTH * 350 + 100);
        self::assertEqualsWithDelta(array_sum(\array_slice($films[0], $row, 300)), array_sum(\array_slice($films[1], $row, 300)), 300 * 2);
    }
}
