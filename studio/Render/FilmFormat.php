<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Timing\Rate;

/** How large a film is and how it is coded: the same bytes wherever a segment is made. */
final readonly class FilmFormat
{
    /** The sizes offered, by the film's shorter side; the first is the small one, for slow networks. */
    public const SIZES = ['small', '540', '720', '1080'];
    private const SMALL = 360;

    private function __construct(public int $width, public int $height, public bool $small, public Container $container) {}

    /** @param string $size one of SIZES */
    public static function of(Shape $shape, string $size = '720', Container $container = Container::Mp4): self
    {
        $small = 'small' === $size;

        return self::high($shape, $shape->height($small ? self::SMALL : (int) $size), $container, $small);
    }

    /** @param int $height pixels, even */
    public static function high(Shape $shape, int $height, Container $container = Container::Mp4, bool $small = false): self
    {
        return new self($shape->width($height), $height, $small, $container);
    }

    /**
     * One thread for each segment: the coders' results depend on the number of threads, and segments are made side by
     * side anyway.
     *
     * @return list<string>
     */
    public function video(): array
    {
        return [
            ...match ($this->container) {
                Container::Mp4 => [
                    '-c:v',
                    'libx264',
                    '-preset',
                    'veryfast',
                    '-crf',
                    $this->small ? '26' : '21',
                    '-profile:v',
                    'high',
                    '-flags:v',
                    '+bitexact',
                ],
                Container::Webm => [
                    '-c:v',
                    'libvpx-vp9',
                    '-deadline',
                    'realtime',
                    '-cpu-used',
                    '6',
                    '-b:v',
                    '0',
                    '-crf',
                    $this->small ? '38' : '32',
                    '-row-mt',
                    '0',
                    '-flags:v',
                    '+bitexact',
                ],
            },
            '-pix_fmt', 'yuv420p', '-g', '60', '-threads', '1',
            '-color_primaries', 'bt709', '-color_trc', 'bt709', '-colorspace', 'bt709', '-color_range', 'tv', '-chroma_sample_location', 'left',
            '-video_track_timescale', (string) (Rate::FPS * 512), '-fflags', '+bitexact',
        ];
    }

    /**
     * How its frames are handed on as they are: planar yuv420p.
     *
     * @return list<string>
     */
    public function raw(int $rate = Rate::FPS): array
    {
        return ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', "{$this->width}x{$this->height}", '-r', (string) $rate];
    }

    /** @return list<string> */
    public function audio(): array
    {
        return match ($this->container) {
            Container::Mp4 => [
                '-c:a',
                'aac',
                '-aac_coder',
                'fast',
                '-b:a',
                $this->small ? '80k' : '160k',
                '-fflags',
                '+bitexact',
                '-flags:a',
                '+bitexact',
                '-f',
                'mp4',
            ],
            Container::Webm => [
                '-c:a',
                'libopus',
                '-b:a',
                $this->small ? '56k' : '112k',
                '-fflags',
                '+bitexact',
                '-flags:a',
                '+bitexact',
                '-f',
                'matroska',
            ],
        };
    }

    /** Names all that determines how pictures are coded. */
    public function fingerprint(): string
    {
        return "{$this->width}x{$this->height} " . implode(' ', $this->video());
    }
}
