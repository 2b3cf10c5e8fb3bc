<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Layer\Pointing\PlannedPointing;
use Rhapsode\Core\Plan\Scene;

/** In the made film's own pixels: a pointer is where it was moved while that is heard, as the plan has it, in every segment. */
final class PointingTest extends TestCase
{
    private const WIDTH = SmallFilm::WIDTH;
    private const HEIGHT = SmallFilm::HEIGHT;

    private SmallFilm $film;

    /**
     * A film of one slide of fourteen seconds: three segments.
     *
     * @param array<string, mixed>       $framing
     * @param list<array<string, mixed>> $pointing
     */
    private function make(array $framing, array $pointing, string $colour = '#101010'): Scene
    {
        $this->film = new SmallFilm(
            // What comes before the second second was left out.
            ['stay' => 14, 'voice' => [['asset' => 'v', 'from' => 96_000, 'to' => 576_000]]],
            $framing,
            $colour,
            ['v' => [
                'kind' => 'voice', 'file' => 'a.flac', 'samples' => 576_000, 'from' => 0, 'to' => 576_000, 'loudness' => -20, 'peak' => -6,
                'take' => ['pointing' => $pointing],
            ]],
            static fn(string $folder) => Media::sound("{$folder}/a.flac", 'sine=300:r=48000', 12.0, ['-c:a', 'flac']),
        );

        return $this->film->scene;
    }

    /**
     * @param list<int> $light
     *
     * @return array{float, float}|null the middle of all that is lighter than that, pixels
     */
    private static function middle(array $light, int $than): ?array
    {
        $x = $y = $all = 0;
        foreach ($light as $i => $value) {
            if ($value > $than) {
                $x += $i % self::WIDTH;
                $y += intdiv($i, self::WIDTH);
                ++$all;
            }
        }

        return 0 === $all ? null : [$x / $all, $y / $all];
    }

    private static function pointing(Scene $scene): PlannedPointing
    {
        foreach ($scene->layers as $layer) {
            if ($layer instanceof PlannedPointing) {
                return $layer;
            }
        }
        self::fail('nobody points');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function framings(): iterable
    {
        yield 'still' => [['motion' => 'still']];
        yield 'moving' => [[
            'motion' => 'set',
            'opensOn' => ['x' => 0, 'y' => 0, 'width' => 1, 'height' => 1],
            'closesOn' => ['x' => 0.3, 'y' => 0.2, 'width' => 0.6, 'height' => 0.6],
        ]];
    }

    /** @param array<string, mixed> $framing */
    #[DataProvider('framings')]
    #[Group('deep')]
    public function testARingGoesWhereItWasMoved(array $framing): void
    {
        $scene = $this->make($framing, [['form' => 'ring', 'over' => 'p', 'points' => [[3000, 0.35, 0.4], [6000, 0.6, 0.7], [11_000, 0.5, 0.3]]]]);
        $pointing = self::pointing($scene);
        self::assertNull(self::middle($this->film->light($pointing->comes), 60), 'it comes softly');
        self::assertNull(self::middle($this->film->light($pointing->goes), 60), 'it is gone');
        foreach ([$pointing->comes + 3, $pointing->comes + 8, 75, 120, 179, 180, 181, 240, $pointing->goes - 8, $pointing->goes - 3] as $frame) {
            $at = $pointing->at($frame, $scene->progress($frame));
            $seen = self::middle($this->film->light($frame), 60);
            self::assertNotNull($seen, "frame {$frame}");
            self::assertEqualsWithDelta($at->x * self::WIDTH, $seen[0] + 0.5, 1.2, "across in frame {$frame}");
            self::assertEqualsWithDelta($at->y * self::HEIGHT, $seen[1] + 0.5, 1.2, "down in frame {$frame}");
        }
    }

    #[Group('deep')]
    public function testItFadesAlikeWhereverASegmentBegins(): void
    {
        // It comes over the very border of two segments, and goes over that of the next.
        $scene = $this->make(['motion' => 'still'], [['form' => 'ring', 'over' => 'p', 'points' => [[4560, 0.5, 0.5], [9500, 0.5, 0.5]]]]);
        $pointing = self::pointing($scene);
        $whole = max([0, ...$this->film->light(200)]) - 16;
        foreach ([...range($pointing->comes, $pointing->comes + 6), ...range($pointing->goes - 6, $pointing->goes)] as $frame) {
            self::assertEqualsWithDelta($pointing->opacity()->at($frame), (max([0, ...$this->film->light($frame)]) - 16) / $whole, 0.12, "frame {$frame}");
        }
    }

    public function testLightLeavesClearWhatItIsOn(): void
    {
        $scene = $this->make(['motion' => 'still'], [['form' => 'light', 'over' => 'p', 'points' => [[4000, 0.2, 0.3], [9000, 0.8, 0.7]]]], '#E0E0E0');
        $pointing = self::pointing($scene);
        foreach ([90, 150, 190] as $frame) {
            $at = $pointing->at($frame, 0.0);
            $light = $this->film->light($frame);
            $of = static fn(float $x, float $y): int => $light[(int) ($y * self::HEIGHT) * self::WIDTH + (int) ($x * self::WIDTH)];
            self::assertGreaterThan(210, $of($at->x, $at->y), "frame {$frame}");
            foreach ([[0.01, 0.99], [0.99, 0.01], [0.01, 0.01], [0.99, 0.99]] as $corner) {
                if (hypot($corner[0] - $at->x, $corner[1] - $at->y) > 0.45) {
                    self::assertLessThan(125, $of(...$corner), "frame {$frame}");
                }
            }
        }
    }

    public function testAnArrowHasItsTipThere(): void
    {
        $scene = $this->make(['motion' => 'still'], [['form' => 'arrow', 'points' => [[3000, 0.5, 0.5], [9000, 0.5, 0.5]]]]);
        $light = $this->film->light(120);
        [$tip] = array_keys(array_filter($light, static fn(int $value): bool => $value > 90));
        self::assertEqualsWithDelta(0.5 * self::HEIGHT, intdiv($tip, self::WIDTH), 3);
        self::assertEqualsWithDelta(0.5 * self::WIDTH, $tip % self::WIDTH, 5);
        self::assertSame('a', $scene->id);
    }
}
