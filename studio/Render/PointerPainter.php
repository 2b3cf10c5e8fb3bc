<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedPointer;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Words\TextBlock;

/** Lines from words to a point of a picture: drawn once where that stands still, else for every frame. */
final readonly class PointerPainter implements LayerPainter
{
    /** Pixels about a line that its edge and its dot take, in a film whose shorter side has 720. */
    private const ROOM = 12;

    private float $scale;

    public function __construct(private Renditions $renditions, private FilmFormat $format)
    {
        $this->scale = min($format->width, $format->height) / TextBlock::SHORTER;
    }

    /** Not of the film's size: its frames are laid upon the others' (see paint). */
    public function frames(PlannedLayer $layer, Scene $scene): ?\Closure
    {
        return null;
    }

    public function paint(PlannedLayer $layer, ScenePainting $on, ?string $moving): void
    {
        if (!$layer instanceof PlannedPointer) {
            return;
        }
        [$width, $height] = [$this->format->width, $this->format->height];
        if ($layer->isStill()) {
            $name = "{$layer->hash()}-{$width}x{$height}";
            $draw = function (string $to) use ($layer, $width, $height): void {
                file_put_contents($to, $this->draw($layer, $this->line($layer, 0.0), 0, 0, $width, $height, 1.0));
            };
            $on->lay($this->renditions->drawing($name, $draw), $layer->opacity());

            return;
        }
        $lines = array_map(fn(float $t): array => $this->line($layer, $t), $on->progress());
        [$xs, $ys] = [[...array_column($lines, 0), ...array_column($lines, 2)], [...array_column($lines, 1), ...array_column($lines, 3)]];
        $room = self::ROOM * $this->scale;
        [$left, $top] = [max(0, (int) (min($xs) - $room) & ~1), max(0, (int) (min($ys) - $room) & ~1)];
        $wide = min($width - $left, (int) ceil(max($xs) + $room) - $left + 1 & ~1);
        $high = min($height - $top, (int) ceil(max($ys) + $room) - $top + 1 & ~1);
        $on->layEach(array_map(
            fn(array $line, float $opacity): string => $this->draw($layer, $line, $left, $top, $wide, $high, $opacity),
            $lines,
            $on->opacities($layer->opacity()),
        ), $left, $top);
    }

    /** @return array{float, float, float, float} from and to, pixels of the film */
    private function line(PlannedPointer $layer, float $t): array
    {
        [$from, $to] = [$layer->begin($t), $layer->end($t)];

        return [
            $from->x * $this->format->width, $from->y * $this->format->height, $to->x * $this->format->width, $to->y * $this->format->height,
        ];
    }

    /**
     * @param array{float, float, float, float} $line
     *
     * @return string a PNG of that part of the film
     */
    private function draw(PlannedPointer $layer, array $line, int $left, int $top, int $wide, int $high, float $opacity): string
    {
        [$x1, $y1, $x2, $y2] = [$line[0] - $left, $line[1] - $top, $line[2] - $left, $line[3] - $top];
        $image = new \Imagick();
        $image->newImage($wide, $high, new \ImagickPixel('transparent'));
        // What is about it first, so that the line's end lies in the dot.
        foreach ([[$layer->edge, PlannedPointer::EDGE], [$layer->colour, 0.0]] as [$colour, $about]) {
            $draw = new \ImagickDraw();
            $draw->setFillColor(new \ImagickPixel($colour));
            $radius = (PlannedPointer::DOT + $about) * $this->scale;
            $draw->circle($x2, $y2, $x2 + $radius, $y2);
            if (hypot($x2 - $x1, $y2 - $y1) > 0.5) {
                $draw->setStrokeColor(new \ImagickPixel($colour));
                $draw->setStrokeWidth((PlannedPointer::LINE + 2 * $about) * $this->scale);
                $draw->line($x1, $y1, $x2, $y2);
            }
            $image->drawImage($draw);
        }
        if ($opacity < 1) {
            $image->evaluateImage(\Imagick::EVALUATE_MULTIPLY, $opacity, \Imagick::CHANNEL_ALPHA);
        }
        $image->setImageFormat('png32');
        $image->setOption('png:compression-level', '1');

        return $image->getImageBlob();
    }
}
