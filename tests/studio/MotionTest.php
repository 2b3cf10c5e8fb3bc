<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Studio\Render\Canvas;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** A drifting dot is tracked: where frames shiver, its way is not smooth. */
final class MotionTest extends TestCase
{
    private const WIDTH = 1280;
    private const HEIGHT = 720;
    private const DOT = [0.53, 0.47];

    /** @return iterable<string, array{Move, int}> */
    public static function moves(): iterable
    {
        yield 'a zoom to 1.25' => [Move::between(Frame::all(), new Frame(0.1, 0.1, 0.8, 0.8)), 150];
        yield 'a slow pan, 0.2 px a frame' => [
            Move::between(new Frame(0.05, 0.1, 0.8, 0.8), new Frame(0.05 + 150 * 0.2 / 1280 * 0.8, 0.1, 0.8, 0.8)),
            150,
        ];
    }

    #[DataProvider('moves')]
    public function testADriftingDotDoesNotShiver(Move $move, int $frames): void
    {
        $scratch = new Scratch();
        $picture = $scratch->path('dot.jpg');
        self::dot($picture);
        $canvas = Canvas::ofPicture($picture, self::WIDTH, self::HEIGHT, $move->nearest());
        $errors = [];
        for ($i = 0; $i < $frames; ++$i) {
            $frame = $move->at($i / ($frames - 1));
            [$x, $y] = self::centroid($canvas->frame($frame));
            $errors[] = [
                $x - (self::DOT[0] - $frame->x) / $frame->width * self::WIDTH,
                $y - (self::DOT[1] - $frame->y) / $frame->height * self::HEIGHT,
            ];
        }
        $squares = 0.0;
        for ($i = 1; $i < $frames; ++$i) {
            $squares += ($errors[$i][0] - $errors[$i - 1][0]) ** 2 + ($errors[$i][1] - $errors[$i - 1][1]) ** 2;
        }

        self::assertLessThanOrEqual(0.05, sqrt($squares / ($frames - 1)), 'px rms from frame to frame');
        self::assertLessThan(
            0.6,
            max([0.0, ...array_map(static fn(array $e): float => hypot(...$e), $errors)]),
            'and it is where the plan says',
        );
    }

    /** The very same tracking, on a filter that is known to shiver: ffmpeg's zoompan rounds to whole pixels. */
    public function testAShiveringFilterIsCaught(): void
    {
        $scratch = new Scratch();
        self::dot($scratch->path('dot.jpg'));
        $frames = 60;
        [$raw] = Tool::ffmpeg([
            '-v', 'error', '-f', 'mjpeg', '-i', $scratch->path('dot.jpg'), '-vf',
            \sprintf(
                "zoompan=z='1+0.25*on/%d':x='(iw-iw/zoom)/2':y='(ih-ih/zoom)/2':d=%d:s=%dx%d:fps=30,format=yuv420p",
                $frames - 1,
                $frames,
                self::WIDTH,
                self::HEIGHT,
            ),
            '-f', 'rawvideo', '-',
        ], 120);
        $squares = 0.0;
        $before = null;
        for ($i = 0; $i < $frames; ++$i) {
            $zoom = 1 + 0.25 * $i / ($frames - 1);
            [$x, $y] = self::centroid(substr($raw, intdiv($i * self::WIDTH * self::HEIGHT * 3, 2), self::WIDTH * self::HEIGHT));
            $error = [$x - (0.5 + (self::DOT[0] - 0.5) * $zoom) * self::WIDTH, $y - (0.5 + (self::DOT[1] - 0.5) * $zoom) * self::HEIGHT];
            $squares += null === $before ? 0 : ($error[0] - $before[0]) ** 2 + ($error[1] - $before[1]) ** 2;
            $before = $error;
        }

        self::assertGreaterThan(0.05, sqrt($squares / ($frames - 1)), 'px rms from frame to frame');
    }

    /** A soft white dot on black, its middle at DOT of the picture. */
    private static function dot(string $path): void
    {
        $width = 1920;
        $height = 1080;
        $pixels = [];
        for ($y = 0; $y < $height; ++$y) {
            for ($x = 0; $x < $width; ++$x) {
                $d = (($x + 0.5 - self::DOT[0] * $width) ** 2 + ($y + 0.5 - self::DOT[1] * $height) ** 2) / 72;
                $pixels[] = $d > 12 ? 0 : (int) round(235 * exp(-$d));
            }
        }
        $image = new \Imagick();
        $image->newImage($width, $height, 'black', 'jpeg');
        $image->importImagePixels(0, 0, $width, $height, 'I', \Imagick::PIXEL_CHAR, $pixels);
        $image->setImageCompressionQuality(98);
        $image->setImageType(\Imagick::IMGTYPE_TRUECOLOR);
        $image->writeImage($path);
    }

    /** @return array{float, float} the dot's middle in pixels, by its light */
    private static function centroid(string $frame): array
    {
        $sum = $sumX = $sumY = 0.0;
        for ($y = 200; $y < 480; ++$y) {
            $row = substr($frame, $y * self::WIDTH + 500, 380);
            foreach (str_split($row) as $i => $byte) {
                $light = \ord($byte);
                if ($light > 24) {
                    $sum += $light - 16;
                    $sumX += ($light - 16) * ($i + 500.5);
                    $sumY += ($light - 16) * ($y + 0.5);
                }
            }
        }

        return [$sumX / $sum, $sumY / $sum];
    }
}
