<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Depth;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\DriftSheet;
use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Layer\Drift\Strength;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** In the made film's own pixels: weather and light pass as core says, without a seam, and never over words. */
final class DriftFilmTest extends TestCase
{
    private const WIDTH = 640;
    private const HEIGHT = 360;

    private Scratch $scratch;

    /**
     * Of a dark picture.
     *
     * @param array<string, string>|null  $drift
     * @param list<array<string, string>> $over  more layers
     */
    private function make(?array $drift, array $over = [], string $name = 'film'): string
    {
        $this->scratch ??= new Scratch();
        $folder = $this->scratch->path($name);
        mkdir($folder);
        Media::picture("{$folder}/p.jpg", 'xc:#101010', 1280, 720);
        $picture = ['id' => 'picture', 'kind' => 'picture', 'asset' => 'p', 'framing' => ['motion' => 'still']];
        file_put_contents("{$folder}/story.json", json_encode([
            'version' => 2, 'title' => 'Weather', 'credits' => false,
            'assets' => ['p' => ['kind' => 'picture', 'file' => 'p.jpg', 'width' => 1280, 'height' => 720]],
            'slides' => [['id' => 'a', 'stay' => 3, 'layers' => [$picture, ...$over], ...null === $drift ? [] : ['drift' => $drift]]],
        ], \JSON_THROW_ON_ERROR));
        $film = "{$folder}.mp4";
        Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $this->scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, $film, '--size', 'small'],
            120,
            20_000,
        );

        return $film;
    }

    /** @return iterable<string, array{DriftKind}> */
    public static function kinds(): iterable
    {
        foreach (DriftKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    /** What librsvg draws of the sheets where core says that they lie, laid on the picture here, is what the film shows. */
    #[DataProvider('kinds')]
    public function testItLiesWhereCoreSays(DriftKind $kind): void
    {
        $film = $this->make(['kind' => $kind->value, 'strength' => 'much']);
        $layers = array_map(static fn(Depth $depth): PlannedDrift => new PlannedDrift(
            new DriftSheet(Shape::Wide, $kind, $kind->usualWay(), Strength::Much, $depth, crc32('a') % DriftSheet::SEEDS),
            $kind->colour(),
            $kind->cover(Strength::Much, $depth),
            0,
        ), Depth::cases());
        foreach ([3, 40, 77] as $frame) {
            $shown = Media::frame($film, $frame, self::WIDTH, self::HEIGHT);
            $right = self::difference($shown, $this->expected($layers, $frame));
            // Rain that is some frames later lies elsewhere; so does what is slow, by more.
            $wrong = self::difference($shown, $this->expected($layers, $frame + 100));
            self::assertLessThan(6.0, $right, "frame {$frame}");
            self::assertLessThan(0.5 * $wrong, $right, "frame {$frame}: {$right} of {$wrong}");
        }
    }

    /**
     * @param list<PlannedDrift> $layers
     *
     * @return list<int> red of each pixel
     */
    private function expected(array $layers, int $frame): array
    {
        $image = new \Imagick();
        $image->newImage(self::WIDTH, self::HEIGHT, '#101010');
        foreach ($layers as $layer) {
            $png = $this->scratch->path('sheet.png');
            Tool::run(['rsvg-convert', '--format', 'png', '--output', $png], 30, 3000, $layer->sheet->svg(self::WIDTH, self::HEIGHT));
            $sheet = new \Imagick($png);
            $sheet->evaluateImage(\Imagick::EVALUATE_MULTIPLY, $layer->cover, \Imagick::CHANNEL_ALPHA);
            ['x' => $x, 'y' => $y] = $layer->at($frame);
            $sheet->rollImage((int) round($x * self::WIDTH), (int) round($y * self::HEIGHT));
            $image->compositeImage($sheet, \Imagick::COMPOSITE_OVER, 0, 0);
        }

        return $image->exportImagePixels(0, 0, self::WIDTH, self::HEIGHT, 'R', \Imagick::PIXEL_CHAR);
    }

    /**
     * @param list<int> $shown red, green and blue of each pixel
     * @param list<int> $expected red of each
     */
    private static function difference(array $shown, array $expected): float
    {
        $sum = 0;
        foreach ($expected as $i => $red) {
            $sum += abs($shown[3 * $i] - $red);
        }

        return $sum / \count($expected);
    }

    public function testNoFlakeLiesOnALetter(): void
    {
        $words = ['id' => 'w', 'kind' => 'words', 'role' => 'caption', 'text' => 'HHHHHHHHHHHH', 'size' => 'largest', 'colour' => '#30ff30', 'backing' => 'none', 'place' => 'middle'];
        $bare = Media::frame($this->make(null, [$words], 'bare'), 45, self::WIDTH, self::HEIGHT);
        $film = $this->make(['kind' => 'snow', 'strength' => 'much'], [$words], 'snow');
        $inLetters = [];
        $isLetter = static fn(int $i): bool => ($bare[3 * $i + 1] ?? 0) > 225 && ($bare[3 * $i] ?? 255) < 90;
        for ($i = self::WIDTH; $i < self::WIDTH * (self::HEIGHT - 1); ++$i) {
            // Colours are as fine as two pixels: the very edge of a letter is of two.
            if ($isLetter($i - 2) && $isLetter($i) && $isLetter($i + 2) && $isLetter($i - 2 * self::WIDTH) && $isLetter($i + 2 * self::WIDTH)) {
                $inLetters[] = $i;
            }
        }
        self::assertGreaterThan(80, \count($inLetters));
        $flakes = 0;
        foreach ([5, 20, 35, 50, 65, 80] as $frame) {
            $pixels = Media::frame($film, $frame, self::WIDTH, self::HEIGHT);
            foreach ($inLetters as $i) {
                self::assertLessThan(130, $pixels[3 * $i], "frame {$frame}: a letter is green, not white");
            }
            for ($i = 0; $i < self::WIDTH * self::HEIGHT; ++$i) {
                $flakes += $pixels[3 * $i] > 180 ? 1 : 0;
            }
        }
        self::assertGreaterThan(3000, $flakes, 'it snows');
    }
}
