<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use FFI\CData;
use Rhapsode\Core\Picture\ColourTables;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * As much of libvips as a recipe needs, through FFI. Each step gives a new image, which is worked out when it is written. libvips
 * takes what is left out by pairs of a name and a value that end with nothing; a whole number where it wants another ends the
 * process, so each is of its type.
 */
final class VipsImage
{
    private const LIBRARY = 'libvips.so.42';
    /** VIPS_FORMAT_UCHAR and VIPS_FORMAT_DOUBLE of libvips */
    private const BYTES = 0;
    private const DOUBLES = 8;
    /** VIPS_FOREIGN_SUBSAMPLE_ON */
    private const SUBSAMPLED = 1;

    /** VIPS_INTERPRETATION_sRGB */
    private const SRGB = 22;

    private static ?\FFI $vips = null;

    private function __construct(private readonly CData $image) {}

    public function __destruct()
    {
        self::vips()->g_object_unref($this->image);
    }

    private static function vips(): \FFI
    {
        if (null === self::$vips) {
            self::$vips = \FFI::cdef((string) file_get_contents(__DIR__ . '/vips.h'), self::LIBRARY);
            self::$vips->vips_init('rhapsode');
            // One thread, as for all that works beside others; nothing is asked for twice.
            self::$vips->vips_concurrency_set(1);
            self::$vips->vips_cache_set_max(0);
        }

        return self::$vips;
    }

    /**
     * A prepared picture.
     *
     * @param int $shrink 1, 2, 4 or 8: so much smaller it is read, which costs as much less
     *
     * @throws ToolFailed
     */
    public static function ofJpeg(string $path, int $shrink = 1): self
    {
        $image = self::made('jpegload', [$path], ['shrink', $shrink]);

        // One that is grey has one channel.
        return 3 === self::vips()->vips_image_get_bands($image->image) ? $image : $image->step('colourspace', [self::SRGB]);
    }

    /** @param string $bytes red, green and blue of one pixel after the other, row by row */
    public static function ofPixels(string $bytes, int $width, int $height): self
    {
        return self::ofMemory($bytes, $width, $height, 3, self::BYTES);
    }

    private static function ofMemory(string $bytes, int $width, int $height, int $bands, int $format): self
    {
        return new self(self::vips()->vips_image_new_from_memory_copy($bytes, \strlen($bytes), $width, $height, $bands, $format)
            ?? throw self::failed('new'));
    }

    public function width(): int
    {
        return self::vips()->vips_image_get_width($this->image);
    }

    public function height(): int
    {
        return self::vips()->vips_image_get_height($this->image);
    }

    /** @param int $degrees clockwise, whole quarter turns */
    public function turned(int $degrees): self
    {
        return 0 === $degrees ? $this : $this->step('rot', [intdiv($degrees, 90)]);
    }

    public function resized(float $scale): self
    {
        return 1.0 === $scale ? $this : $this->step('resize', [$scale]);
    }

    /** Turned about its middle, on as much ground as that needs. @param float $degrees clockwise */
    public function straightened(float $degrees): self
    {
        if (0.0 === $degrees) {
            return $this;
        }
        $bicubic = self::vips()->vips_interpolate_new('bicubic');
        try {
            return $this->step('rotate', [$degrees], ['interpolate', $bicubic]);
        } finally {
            self::vips()->g_object_unref($bicubic);
        }
    }

    public function cropped(int $left, int $top, int $width, int $height): self
    {
        return $this->step('crop', [$left, $top, $width, $height]);
    }

    /** Another laid into it. */
    public function with(self $part, int $left, int $top): self
    {
        return self::made('insert', [$left, $top], [], [$this->image, $part->image]);
    }

    public function coloured(ColourTables $tables): self
    {
        if ($tables->isPlain()) {
            return $this;
        }
        $bytes = '';
        foreach ($tables->out as $i => $_) {
            $bytes .= \chr($tables->in[0][$i] ?? 0) . \chr($tables->in[1][$i] ?? 0) . \chr($tables->in[2][$i] ?? 0);
        }
        $before = self::ofMemory($bytes, 256, 1, 3, self::BYTES);
        $matrix = self::ofMemory(pack('d9', ...$tables->matrix), 3, 3, 1, self::DOUBLES);
        $after = self::ofMemory(implode('', array_map(\chr(...), $tables->out)), 256, 1, 1, self::BYTES);

        return $this->step(
            'maplut',
            [$before->image],
        )->step('recomb', [$matrix->image])->step('rint')->step('cast', [self::BYTES])->step('maplut', [$after->image]);
    }

    /** Worked out once, for what is made of it next. */
    public function kept(): self
    {
        return new self(self::vips()->vips_image_copy_memory($this->image) ?? throw self::failed('copy'));
    }

    /** @return string red, green and blue of one pixel after the other, row by row */
    public function pixels(): string
    {
        $size = self::vips()->new('size_t');
        $bytes = self::vips()->vips_image_write_to_memory($this->image, \FFI::addr($size)) ?? throw self::failed('write');
        try {
            return \FFI::string($bytes, $size->cdata);
        } finally {
            self::vips()->g_free($bytes);
        }
    }

    /** @throws ToolFailed */
    public function writeJpeg(string $path, int $quality): void
    {
        $vips = self::vips();
        $options = ['Q', $quality, 'strip', 1, 'optimize_coding', 1, 'subsample_mode', self::SUBSAMPLED];
        if (0 !== $vips->vips_jpegsave($this->image, $path, ...[...$options, null])) {
            throw self::failed('jpegsave');
        }
    }

    /**
     * @param list<mixed> $arguments
     * @param list<mixed> $options
     *
     * @throws ToolFailed
     */
    private function step(string $name, array $arguments = [], array $options = []): self
    {
        return self::made($name, $arguments, $options, [$this->image]);
    }

    /**
     * @param list<mixed> $arguments
     * @param list<mixed> $options
     * @param list<CData> $from
     *
     * @throws ToolFailed
     */
    private static function made(string $name, array $arguments, array $options = [], array $from = []): self
    {
        $vips = self::vips();
        $out = $vips->new('VipsImage *');
        $before = [] === $from ? $arguments : $from;
        $behind = [] === $from ? [] : $arguments;
        if (0 !== $vips->{"vips_{$name}"}(...[...$before, \FFI::addr($out), ...$behind, ...$options, null])) {
            throw self::failed($name);
        }

        return new self($out);
    }

    private static function failed(string $name): ToolFailed
    {
        $why = self::vips()->vips_error_buffer();
        self::vips()->vips_error_clear();

        return ToolFailed::unable('libvips', "{$name}: {$why}");
    }
}
