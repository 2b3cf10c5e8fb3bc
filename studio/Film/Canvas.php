<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use FFI\CData;
use Rhapsode\Core\Framing\Frame;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * A picture held in memory as planar 4:2:0 video, from which frames of any framing are taken.
 *
 * Scaling is libzimg's (through FFI): the source's active region may lie at fractions of a pixel, so that a slow move
 * does not shiver, and a large picture shown small is filtered properly.
 */
final class Canvas
{
    private const ALIGN = 64;
    private const API = (2 << 8) | 4;

    private static ?\FFI $zimg = null;

    /** @var list<CData> keeps the memory of the planes */
    private array $held = [];
    private CData $source;
    private CData $target;
    private CData $params;
    private CData $sourceFormat;
    private CData $targetFormat;
    /** @var list<array{CData, int, int, int}> pointer, stride, width, height of each target plane */
    private array $planes = [];
    private ?CData $scratch = null;
    private int $scratchSize = 0;

    private function __construct(private readonly int $sourceWidth, private readonly int $sourceHeight, private readonly int $width, private readonly int $height, string $yuv)
    {
        $zimg = self::zimg();
        $this->params = self::made($zimg->new('zimg_graph_builder_params'));
        $zimg->zimg_graph_builder_params_default(\FFI::addr($this->params), self::API);
        $this->params->resample_filter = 2;
        $this->params->resample_filter_uv = 2;
        $this->sourceFormat = $this->format($sourceWidth, $sourceHeight);
        $this->targetFormat = $this->format($width, $height);
        $this->source = $this->buffer('zimg_image_buffer_const', $sourceWidth, $sourceHeight, $yuv);
        $this->target = $this->buffer('zimg_image_buffer', $width, $height, null);
    }

    /**
     * The picture is held no larger than its closest framing needs: what is left to do for each frame is then little more
     * than a shift.
     *
     * @param float $closest the share of the picture's width that the closest framing shows
     *
     * @throws ToolFailed
     */
    public static function ofPicture(string $jpeg, int $width, int $height, float $closest = 0.0): self
    {
        [$sourceWidth, $sourceHeight] = @getimagesize($jpeg) ?: throw new ToolFailed('A prepared picture cannot be read.');
        $shrink = $closest > 0 ? min(1.0, $width / $closest / $sourceWidth) : 1.0;
        $evenWidth = 2 * (int) round($sourceWidth * $shrink / 2);
        $evenHeight = 2 * (int) round($sourceHeight * $shrink / 2);
        [$yuv] = Tool::ffmpeg([
            '-v', 'error', '-f', 'mjpeg', '-i', Tool::file($jpeg), '-frames:v', '1',
            '-vf', "scale={$evenWidth}:{$evenHeight}:in_range=pc:in_color_matrix=bt601:out_range=tv:out_color_matrix=bt709:flags=accurate_rnd+full_chroma_int+lanczos,format=yuv420p",
            '-f', 'rawvideo', '-',
        ], 60);

        return new self($evenWidth, $evenHeight, $width, $height, $yuv);
    }

    /** @return string one frame, planar yuv420p */
    public function frame(Frame $frame): string
    {
        $zimg = self::zimg();
        $region = $this->sourceFormat->active_region;
        $region->left = $frame->x * $this->sourceWidth;
        $region->top = $frame->y * $this->sourceHeight;
        $region->width = $frame->width * $this->sourceWidth;
        $region->height = $frame->height * $this->sourceHeight;
        $graph = $zimg->zimg_filter_graph_build(\FFI::addr($this->sourceFormat), \FFI::addr($this->targetFormat), \FFI::addr($this->params));
        if (null === $graph) {
            throw new ToolFailed('A frame cannot be scaled.');
        }
        $size = $zimg->new('size_t');
        $zimg->zimg_filter_graph_get_tmp_size($graph, \FFI::addr($size));
        if (null === $this->scratch || $size->cdata > $this->scratchSize) {
            $this->scratchSize = $size->cdata;
            $this->scratch = self::aligned($size->cdata, $this->held);
        }
        $failed = $zimg->zimg_filter_graph_process($graph, \FFI::addr($this->source), \FFI::addr($this->target), $this->scratch, null, null, null, null);
        $zimg->zimg_filter_graph_free($graph);
        if (0 !== $failed) {
            throw new ToolFailed('A frame cannot be scaled.');
        }

        return $this->bytes();
    }

    /** A frame of one colour, for slides without a picture. @param string $colour #RRGGBB */
    public static function plain(string $colour, int $width, int $height): string
    {
        [$r, $g, $b] = array_map(static fn(int $at): float => hexdec(substr($colour, $at, 2)) / 255, [1, 3, 5]);
        // Rec. 709, limited range.
        $luma = 0.2126 * $r + 0.7152 * $g + 0.0722 * $b;
        $y = (int) round(16 + 219 * $luma);
        $u = (int) round(128 + 224 * ($b - $luma) / 1.8556);
        $v = (int) round(128 + 224 * ($r - $luma) / 1.5748);
        $chroma = intdiv($width, 2) * intdiv($height, 2);

        return str_repeat(\chr($y), $width * $height) . str_repeat(\chr($u), $chroma) . str_repeat(\chr($v), $chroma);
    }

    private function bytes(): string
    {
        $bytes = '';
        foreach ($this->planes as [$data, $stride, $width, $height]) {
            if ($stride === $width) {
                $bytes .= \FFI::string($data, $width * $height);
                continue;
            }
            $rows = \FFI::string($data, $stride * $height);
            for ($row = 0; $row < $height; ++$row) {
                $bytes .= substr($rows, $row * $stride, $width);
            }
        }

        return $bytes;
    }

    private function format(int $width, int $height): CData
    {
        $zimg = self::zimg();
        $format = self::made($zimg->new('zimg_image_format'));
        $zimg->zimg_image_format_default(\FFI::addr($format), self::API);
        $format->width = $width;
        $format->height = $height;
        $format->pixel_type = 0;
        $format->subsample_w = 1;
        $format->subsample_h = 1;
        $format->color_family = 2;
        $format->matrix_coefficients = 1;
        $format->transfer_characteristics = 1;
        $format->color_primaries = 1;
        $format->depth = 8;
        $format->pixel_range = 0;

        return $format;
    }

    private function buffer(string $type, int $width, int $height, ?string $yuv): CData
    {
        $buffer = self::made(self::zimg()->new($type));
        $buffer->version = self::API;
        $offset = 0;
        foreach ([[$width, $height], [intdiv($width, 2), intdiv($height, 2)], [intdiv($width, 2), intdiv($height, 2)]] as $i => [$w, $h]) {
            $stride = (int) (ceil($w / self::ALIGN) * self::ALIGN);
            $data = self::aligned($stride * $h, $this->held);
            if (null !== $yuv) {
                $rows = $stride === $w ? substr($yuv, $offset, $w * $h) : self::padded($yuv, $offset, $w, $h, $stride);
                \FFI::memcpy($data, $rows, \strlen($rows));
                $offset += $w * $h;
            } else {
                $this->planes[] = [$data, $stride, $w, $h];
            }
            $buffer->plane[$i]->data = $data;
            $buffer->plane[$i]->stride = $stride;
            $buffer->plane[$i]->mask = 0xFFFFFFFF;
        }

        return $buffer;
    }

    private static function padded(string $yuv, int $offset, int $width, int $height, int $stride): string
    {
        $rows = [];
        for ($row = 0; $row < $height; ++$row) {
            $rows[] = str_pad(substr($yuv, $offset + $row * $width, $width), $stride, "\0");
        }

        return implode('', $rows);
    }

    /**
     * @param list<CData> $held
     *
     * @param-out list<CData> $held
     */
    private static function aligned(int $size, array &$held): CData
    {
        $zimg = self::zimg();
        $memory = self::made($zimg->new('uint8_t[' . ($size + self::ALIGN) . ']'));
        $held[] = $memory;
        // The pointer is copied before it is moved: FFI does not add to a pointer inside an expression.
        $pointer = self::made($zimg->cast('uint8_t *', \FFI::addr($memory)));
        $address = $zimg->cast('uintptr_t', $pointer);
        $pointer += (self::ALIGN - $address->cdata % self::ALIGN) % self::ALIGN;

        return $pointer;
    }

    private static function made(?CData $data): CData
    {
        return $data ?? throw new ToolFailed('Out of memory.');
    }

    private static function zimg(): \FFI
    {
        return self::$zimg ??= \FFI::cdef((string) file_get_contents(__DIR__ . '/zimg.h'), 'libzimg.so.2');
    }
}
