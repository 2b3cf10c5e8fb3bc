<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Studio\Tool\Tool;

/** The part of a drawing that has anything drawn on it, on even pixels: to lay all of it on every frame would cost as much as a quarter of its encoding. */
final readonly class Overlay
{
    /** Transparency in yuva420p: the last plane, as large as the first. */
    private const PLANES = 2.5;
    /** The overlay's own conversion would use the wrong colour matrix. */
    private const CONVERT = 'scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,format=yuva420p';

    private function __construct(public string $png, public int $width, public int $height, public int $x, public int $y) {}

    public static function of(string $png): self
    {
        $image = new \Imagick();
        $image->readImageBlob((string) file_get_contents($png));
        [$whole, $high] = [$image->getImageWidth(), $image->getImageHeight()];
        $image->trimImage(0);
        /** @var array{x: int, y: int} $page */
        $page = $image->getImagePage();
        $x = max(0, $page['x'] & ~1);
        $y = max(0, $page['y'] & ~1);

        return new self(
            $png,
            min($whole - $x, $page['x'] - $x + $image->getImageWidth() + 1 & ~1),
            min($high - $y, $page['y'] - $y + $image->getImageHeight() + 1 & ~1),
            $x,
            $y,
        );
    }

    /** The filter that takes it out of its drawing. */
    public function taken(): string
    {
        return "crop={$this->width}:{$this->height}:{$this->x}:{$this->y}," . self::CONVERT;
    }

    /** @return string its one frame, yuva420p */
    public function bytes(string $scratch): string
    {
        Tool::ffmpeg([
            '-v', 'error', '-y', '-f', 'png_pipe', '-i', Tool::file($this->png), '-vf', $this->taken(), '-frames:v',
            '1', '-f', 'rawvideo', Tool::file($scratch),
        ], 30);

        return (string) file_get_contents($scratch);
    }

    /** The same frame, seen only so far. @param float $opacity 0 to 1 */
    public function faded(string $bytes, float $opacity): string
    {
        $colours = (int) (($this->width * $this->height) * (self::PLANES - 1));
        $from = implode('', array_map(\chr(...), range(0, 255)));
        $to = implode('', array_map(static fn(int $alpha): string => \chr((int) round($alpha * $opacity)), range(0, 255)));

        return substr($bytes, 0, $colours) . strtr(substr($bytes, $colours), $from, $to);
    }
}
