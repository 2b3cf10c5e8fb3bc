<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Studio\Tool\Tool;

/** The part of a drawing that has anything drawn on it, on even pixels: to lay all of it on every frame would cost as much as a quarter of its encoding. */
final class Overlay
{
    /** Transparency in yuva420p: the last plane, as large as the first. */
    private const PLANES = 2.5;
    /** The overlay's own conversion would use the wrong colour matrix. */
    public const CONVERT = 'scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,format=yuva420p';

    private const REMEMBERED = 50;

    /** @var array<string, array{int, int, int, int, int, int}> by drawing, which never changes */
    private static array $found = [];

    private function __construct(
        public readonly string $png,
        public readonly int $width,
        public readonly int $height,
        public readonly int $x,
        public readonly int $y,
    ) {}

    /** @param array{float, float, float, float}|null $takes left, top, right, bottom: what it has in any case, pixels */
    public static function of(string $png, ?array $takes = null): self
    {
        [$whole, $high, $left, $top, $right, $bottom] = self::drawn($png);
        if (null !== $takes) {
            [$left, $top] = [min($left, (int) floor($takes[0])), min($top, (int) floor($takes[1]))];
            [$right, $bottom] = [max($right, (int) ceil($takes[2])), max($bottom, (int) ceil($takes[3]))];
        }
        $x = max(0, $left & ~1);
        $y = max(0, $top & ~1);

        return new self($png, min($whole - $x, $right - $x + 1 & ~1), min($high - $y, $bottom - $y + 1 & ~1), $x, $y);
    }

    /**
     * To look for what is drawn takes as long as encoding ten frames, and a scene's drawing lies in its transitions too.
     *
     * @return array{int, int, int, int, int, int} its width and height; left, top, right, bottom of what is drawn, pixels
     */
    private static function drawn(string $png): array
    {
        if (!isset(self::$found[$png])) {
            $image = new \Imagick();
            $image->readImageBlob((string) file_get_contents($png));
            [$whole, $high] = [$image->getImageWidth(), $image->getImageHeight()];
            $image->trimImage(0);
            /** @var array{x: int, y: int} $page */
            $page = $image->getImagePage();
            [$left, $top] = [$page['x'], $page['y']];
            self::$found = [...\array_slice(self::$found, -self::REMEMBERED), $png => [
                $whole, $high, $left, $top, $left + $image->getImageWidth(), $top + $image->getImageHeight(),
            ]];
        }

        return self::$found[$png];
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

    /** The same frame so many rows lower; what leaves it below is seen no more. @param int $rows even */
    public function lowered(string $bytes, int $rows): string
    {
        $lowered = '';
        $at = 0;
        foreach ([1, 2, 2, 1] as $part) {
            $size = intdiv($this->width, $part) * intdiv($this->height, $part);
            $gone = min($size, intdiv($this->width, $part) * intdiv($rows, $part));
            $lowered .= str_repeat("\0", $gone) . substr($bytes, $at, $size - $gone);
            $at += $size;
        }

        return $lowered;
    }

    /**
     * The same frame, of whose rows only so much is seen; of others nothing.
     *
     * @param list<array{int, int, string}> $rows from and to (exclusive), and for each pixel of such a row 0 to 255
     */
    public function masked(string $bytes, array $rows): string
    {
        $colours = (int) (($this->width * $this->height) * (self::PLANES - 1));
        $alpha = str_repeat("\0", $this->width * $this->height);
        foreach ($rows as [$from, $to, $mask]) {
            // Rows of a line are alike but for its soft edge.
            $full = strspn($mask, "\xFF");
            $soft = \strlen(rtrim($mask, "\0")) - $full;
            $isFromEnd = 0 === $full && "\xFF" === substr($mask, -1);
            for ($y = $from; $y < $to; ++$y) {
                $at = $y * $this->width;
                $row = substr($bytes, $colours + $at, $this->width);
                $alpha = substr_replace($alpha, $isFromEnd ? self::product($row, $mask, 0, $this->width) : substr($row, 0, $full)
                    . self::product($row, $mask, $full, $soft) . str_repeat("\0", max(0, $this->width - $full - max(0, $soft))), $at, $this->width);
            }
        }

        return substr($bytes, 0, $colours) . $alpha;
    }

    private static function product(string $row, string $mask, int $from, int $length): string
    {
        $product = '';
        for ($i = $from; $i < $from + $length; ++$i) {
            $product .= \chr((int) round(\ord($row[$i]) * \ord($mask[$i]) / 255));
        }

        return $product;
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
