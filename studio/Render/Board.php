<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use FFI\CData;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * A frame of planar yuv420p in memory, upon which parts are laid that are smaller: row by row in PHP that would take longer than
 * to scale them. The copying is libavutil's, which is there where ffmpeg is.
 */
final class Board
{
    /** Of FFmpeg 5, 6, 7 and 8. */
    private const LIBRARIES = ['libavutil.so.57', 'libavutil.so.58', 'libavutil.so.59', 'libavutil.so.60'];
    private const DECLARED = 'void av_image_copy_plane(uint8_t *dst, int dst_linesize, const uint8_t *src, int src_linesize, int bytewidth, int height);';

    private static ?\FFI $avutil = null;

    private CData $frame;
    private ?CData $part = null;
    private CData $begin;

    public function __construct(private readonly int $width, private readonly int $height)
    {
        $this->frame = self::made(self::avutil()->new('uint8_t[' . $this->size($width, $height) . ']'));
        $this->begin = $this->pointer($this->frame, 0);
    }

    /** @param string $frame of its size */
    public function fill(string $frame): void
    {
        \FFI::memcpy($this->frame, $frame, $this->size($this->width, $this->height));
    }

    /** @return list<CData> where the planes of a part begin that lies there, even pixels from its left and its top */
    public function place(int $left, int $top): array
    {
        $luma = $this->width * $this->height;
        $chroma = intdiv($top, 2) * intdiv($this->width, 2) + intdiv($left, 2);

        return array_map(
            fn(int $at): CData => $this->pointer($this->frame, $at),
            [$top * $this->width + $left, $luma + $chroma, intdiv($luma * 5, 4) + $chroma],
        );
    }

    /**
     * @param list<CData>                        $place  as place() gave it
     * @param list<array{CData, int, int, int}>  $planes pointer, stride, width, height of each
     */
    public function lay(array $place, array $planes): void
    {
        foreach ($planes as $i => [$data, $stride, $width, $height]) {
            self::avutil()->av_image_copy_plane($place[$i], 0 === $i ? $this->width : intdiv($this->width, 2), $data, $stride, $width, $height);
        }
    }

    /**
     * @param list<CData> $place as place() gave it
     * @param string      $part  planar yuv420p of that size
     */
    public function put(array $place, string $part, int $width, int $height): void
    {
        $this->part ??= self::made(self::avutil()->new('uint8_t[' . $this->size($this->width, $this->height) . ']'));
        \FFI::memcpy($this->part, $part, $this->size($width, $height));
        [$wide, $high] = [intdiv($width, 2), intdiv($height, 2)];
        $from = fn(int $at): CData => $this->pointer($this->part ?? $this->frame, $at);
        $this->lay($place, [
            [$from(0), $width, $width, $height],
            [$from($width * $height), $wide, $wide, $high],
            [$from($width * $height + $wide * $high), $wide, $wide, $high],
        ]);
    }

    public function bytes(): string
    {
        return \FFI::string($this->begin, $this->size($this->width, $this->height));
    }

    /** @return int<0, max> bytes of a frame */
    private function size(int $width, int $height): int
    {
        return max(0, intdiv($width * $height * 3, 2));
    }

    private function pointer(CData $memory, int $at): CData
    {
        // The pointer is copied before it is moved: FFI does not add to a pointer inside an expression.
        $pointer = self::made(self::avutil()->cast('uint8_t *', \FFI::addr($memory)));
        $pointer += $at;

        return $pointer;
    }

    private static function made(?CData $data): CData
    {
        return $data ?? throw ToolFailed::unable('libavutil', 'have the memory it needs');
    }

    private static function avutil(): \FFI
    {
        foreach (null === self::$avutil ? self::LIBRARIES : [] as $library) {
            try {
                self::$avutil = \FFI::cdef(self::DECLARED, $library);
                break;
            } catch (\FFI\Exception) {
                // Another release of it is there.
            }
        }

        return self::$avutil ?? throw ToolFailed::unable('libavutil', 'be found');
    }
}
