<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use FFI\CData;
use Rhapsode\Core\Geometry\Frame;
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
    /** ZIMG_RESIZE_BICUBIC and ZIMG_RESIZE_LANCZOS of zimg.h */
    private const BICUBIC = 2;
    private const LANCZOS = 4;
    /** ZIMG_CPU_AUTO_64B of zimg.h */
    private const ANY_PROCESSOR = 2;
    private const API = (2 << 8) | 4;

    private static ?\FFI $zimg = null;

    /** @var list<CData> keeps the memory of the planes */
    private array $held = [];
    private CData $source;
    /** @var list<array{CData, int, int, int}> as those of the target */
    private array $sourcePlanes = [];
    private CData $target;
    private CData $params;
    private CData $sourceFormat;
    private CData $targetFormat;
    /** @var list<array{CData, int, int, int}> pointer, stride, width, height of each target plane */
    private array $planes = [];
    private readonly bool $isWhole;
    /** What is shown of what is in it. */
    private ?Frame $shown = null;
    private ?CData $scratch = null;
    private int $scratchSize = 0;

    private function __construct(
        private readonly int $sourceWidth,
        private readonly int $sourceHeight,
        private readonly int $width,
        private readonly int $height,
    ) {
        $this->params = self::params(self::BICUBIC);
        $this->sourceFormat = self::format($sourceWidth, $sourceHeight);
        $this->targetFormat = self::format($width, $height);
        [$this->source, $this->sourcePlanes] = $this->buffer('zimg_image_buffer_const', self::planar($sourceWidth, $sourceHeight));
        [$this->target, $this->planes] = $this->buffer('zimg_image_buffer', self::planar($width, $height));
        // Planes whose rows need no padding lie one behind the other, and are read as one.
        $this->isWhole = 0 === $width % (2 * self::ALIGN) && 0 === $width * $height / 4 % self::ALIGN;
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
        [$sourceWidth, $sourceHeight] = @getimagesize($jpeg) ?: throw ToolFailed::notRead($jpeg);
        $shrink = $closest > 0 ? min(1.0, $width / $closest / $sourceWidth) : 1.0;
        $evenWidth = 2 * (int) round($sourceWidth * $shrink / 2);
        $evenHeight = 2 * (int) round($sourceHeight * $shrink / 2);
        $canvas = new self($evenWidth, $evenHeight, $width, $height);
        $canvas->fill($jpeg, $sourceWidth, $sourceHeight);

        return $canvas;
    }

    /** For video of that even size: each frame of it is put in before a frame is taken from it. */
    public static function ofVideo(int $sourceWidth, int $sourceHeight, int $width, int $height): self
    {
        return new self($sourceWidth, $sourceHeight, $width, $height);
    }

    /** @param string $yuv a frame of the source's size, planar yuv420p */
    public function refill(string $yuv): void
    {
        $this->shown = null;
        $offset = 0;
        foreach ($this->sourcePlanes as [$data, $stride, $width, $height]) {
            $rows = $stride === $width ? substr($yuv, $offset, $width * $height) : self::padded($yuv, $offset, $width, $height, $stride);
            \FFI::memcpy($data, $rows, \strlen($rows));
            $offset += $width * $height;
        }
    }

    /** Reads the picture, brings it to the canvas's size and to video's colours (Rec. 709, limited range, from sRGB's components). */
    private function fill(string $jpeg, int $width, int $height): void
    {
        $image = new \Imagick();
        try {
            $image->readImageBlob((string) file_get_contents($jpeg));
            $image->setInterlaceScheme(\Imagick::INTERLACE_PLANE);
            $image->setImageFormat('rgb');
            $image->setImageDepth(8);
            $rgb = $image->getImageBlob();
        } catch (\ImagickException $problem) {
            throw ToolFailed::notRead($jpeg, $problem);
        }
        $image->clear();
        if (3 * $width * $height !== \strlen($rgb)) {
            throw ToolFailed::notRead($jpeg);
        }
        $from = self::format($width, $height);
        $from->subsample_w = 0;
        $from->subsample_h = 0;
        $from->color_family = 1;
        $from->matrix_coefficients = 0;
        $from->pixel_range = 1;
        $held = $this->held;
        [$source] = $this->buffer('zimg_image_buffer_const', array_fill(0, 3, [$width, $height]), $rgb);
        $this->process($from, $this->sourceFormat, self::params(self::LANCZOS), $source, $this->source);
        // The picture at its own size is needed no more, nor the room it was scaled in.
        $this->held = $held;
        $this->scratch = null;
        $this->scratchSize = 0;
    }

    /** @return string one frame, planar yuv420p */
    public function frame(Frame $frame): string
    {
        $this->show($frame);

        return $this->bytes();
    }

    /** @return list<array{CData, int, int, int}> pointer, stride, width, height of each plane of what is shown */
    public function planes(): array
    {
        return $this->planes;
    }

    /** Takes a frame, to be had as planes. */
    public function show(Frame $frame): void
    {
        if (null !== $this->shown && $frame->equals($this->shown)) {
            return;
        }
        $this->shown = $frame;
        $region = $this->sourceFormat->active_region;
        $region->left = $frame->x * $this->sourceWidth;
        $region->top = $frame->y * $this->sourceHeight;
        $region->width = $frame->width * $this->sourceWidth;
        $region->height = $frame->height * $this->sourceHeight;
        $this->process($this->sourceFormat, $this->targetFormat, $this->params, $this->source, $this->target);
    }

    /** @throws ToolFailed */
    private function process(CData $from, CData $to, CData $params, CData $source, CData $target): void
    {
        $zimg = self::zimg();
        $graph = $zimg->zimg_filter_graph_build(\FFI::addr($from), \FFI::addr($to), \FFI::addr($params));
        if (null === $graph) {
            throw ToolFailed::unable('libzimg', 'scale a frame');
        }
        $size = $zimg->new('size_t');
        $zimg->zimg_filter_graph_get_tmp_size($graph, \FFI::addr($size));
        if (null === $this->scratch || $size->cdata > $this->scratchSize) {
            $this->scratchSize = $size->cdata;
            $this->scratch = self::aligned($size->cdata, $this->held);
        }
        $failed = $zimg->zimg_filter_graph_process(
            $graph,
            $zimg->cast('zimg_image_buffer_const *', \FFI::addr($source)),
            $zimg->cast('zimg_image_buffer *', \FFI::addr($target)),
            $this->scratch,
            null,
            null,
            null,
            null,
        );
        $zimg->zimg_filter_graph_free($graph);
        if (0 !== $failed) {
            throw ToolFailed::unable('libzimg', 'scale a frame');
        }
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
        if ($this->isWhole) {
            return \FFI::string($this->planes[0][0], intdiv($this->width * $this->height * 3, 2));
        }
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

    private static function params(int $filter): CData
    {
        $params = self::made(self::zimg()->new('zimg_graph_builder_params'));
        self::zimg()->zimg_graph_builder_params_default(\FFI::addr($params), self::API);
        $params->resample_filter = $filter;
        $params->resample_filter_uv = $filter;
        // Whatever this processor has: the arithmetic is whole numbers, and gives the same bytes on all of them.
        $params->cpu_type = self::ANY_PROCESSOR;

        return $params;
    }

    private static function format(int $width, int $height): CData
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

    /** @return list<array{int, int}> width and height of each plane of yuv420p */
    private static function planar(int $width, int $height): array
    {
        return [[$width, $height], [intdiv($width, 2), intdiv($height, 2)], [intdiv($width, 2), intdiv($height, 2)]];
    }

    /**
     * @param list<array{int, int}> $sizes of its planes
     *
     * @return array{CData, list<array{CData, int, int, int}>} the buffer; pointer, stride, width, height of each plane
     */
    private function buffer(string $type, array $sizes, ?string $bytes = null): array
    {
        $buffer = self::made(self::zimg()->new($type));
        $buffer->version = self::API;
        $offset = 0;
        $planes = [];
        $strides = array_map(static fn(array $size): int => (int) (ceil($size[0] / self::ALIGN) * self::ALIGN), $sizes);
        $next = self::aligned(
            array_sum(array_map(static fn(int $stride, array $size): int => $stride * $size[1], $strides, $sizes)) + 64 * \count($sizes),
            $this->held,
        );
        foreach ($sizes as $i => [$width, $height]) {
            $stride = $strides[$i];
            // The pointer is copied before it is moved on, to where the next plane may begin.
            $data = self::made(self::zimg()->cast('uint8_t *', $next));
            $next += (int) (ceil($stride * $height / self::ALIGN) * self::ALIGN);
            if (null !== $bytes) {
                $rows = $stride === $width ? substr($bytes, $offset, $width * $height) : self::padded(
                    $bytes,
                    $offset,
                    $width,
                    $height,
                    $stride,
                );
                \FFI::memcpy($data, $rows, \strlen($rows));
                $offset += $width * $height;
            }
            $planes[] = [$data, $stride, $width, $height];
            $buffer->plane[$i]->data = $data;
            $buffer->plane[$i]->stride = $stride;
            $buffer->plane[$i]->mask = 0xFFFFFFFF;
        }

        return [$buffer, $planes];
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
        return $data ?? throw ToolFailed::unable('libzimg', 'have the memory it needs');
    }

    private static function zimg(): \FFI
    {
        if (null === self::$zimg) {
            self::$zimg = \FFI::cdef((string) file_get_contents(__DIR__ . '/zimg.h'), 'libzimg.so.2');
            self::keepMemory();
        }

        return self::$zimg;
    }

    /**
     * A graph is built and freed for every frame: if its memory were given back to the system each time, a third of the
     * work would be getting it again. (mallopt(3): M_TRIM_THRESHOLD, M_TOP_PAD, M_MMAP_THRESHOLD; glibc only.)
     */
    private static function keepMemory(): void
    {
        try {
            /** @var object{mallopt: callable(int, int): int} $libc */
            $libc = \FFI::cdef('int mallopt(int param, int value);', 'libc.so.6');
            foreach ([-1 => 128_000_000, -2 => 16_000_000, -3 => 64_000_000] as $option => $bytes) {
                $libc->mallopt($option, $bytes); // @phpstan-ignore method.notFound
            }
        } catch (\FFI\Exception) {
            // Another C library manages its memory as it likes.
        }
    }
}
