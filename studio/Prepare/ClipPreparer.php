<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/**
 * Makes a clip ready, whatever it came as: normalised once, so that frame n of it is frame n ever after.
 *
 * More light than a screen's white is brought to it by a curve that leaves what is darker as it is (tone mapping to a reference white of
 * 203 cd/m², ITU-R BT.2408).
 */
final readonly class ClipPreparer
{
    /** Pixels of the shorter side. */
    private const FULL_SIDE = 1080;
    private const LIGHT_SIDE = 360;
    private const STRIP_HEIGHT = 90;
    /** Seconds for a second of the clip, and for beginning: the slowest machine with the heaviest clip. */
    private const PATIENCE = 20;
    private const AT_LEAST = 120;

    /**
     * @param string                     $folder   where its files go
     * @param \Closure(float): void|null $progress hears its share that is done, 0 to 1
     * @param bool                       $forPage  whether the page will show it: its light copy and its strip are made, and the original is kept
     *
     * @throws Unreadable in one sentence
     */
    public function prepare(string $path, string $folder, ?\Closure $progress = null, bool $forPage = false): PreparedClip
    {
        $probe = ClipProbe::of($path);
        $seconds = $probe->seconds > 0 ? $probe->seconds : (float) Limits::CLIP;
        try {
            $this->normalise($path, $probe, $folder, $seconds, $forPage, $progress);
            $frames = self::frames($folder . '/' . PreparedClip::FULL);
            if ($frames < 1 || $frames > Limits::CLIP_FRAMES) {
                throw $frames < 1 ? new Unreadable('clip.empty') : ClipProbe::tooLong();
            }
            $poster = $this->poster($folder, intdiv($frames, 2));
            $sound = $probe->hasSound ? $this->sound($path, $probe, $folder, $frames) : null;
            $clip = new Clip($frames, $sound?->loudness, $sound?->loudest);
            $original = '';
            if ($forPage) {
                $this->strip($folder, $clip);
                $original = $this->original($path, $probe, $folder);
            }
        } catch (ToolFailed $problem) {
            throw new Unreadable('clip.broken', previous: $problem);
        }

        return new PreparedClip($poster, $clip, $original, $probe->source, $probe->description);
    }

    /**
     * @param \Closure(float): void|null $progress
     *
     * @throws ToolFailed
     */
    private function normalise(string $path, ClipProbe $probe, string $folder, float $seconds, bool $forPage, ?\Closure $progress): void
    {
        $fit = static fn(int $side): string => \sprintf(
            "scale=w='if(gt(iw,ih),-2,min(%1\$d,2*trunc(iw/2)))':h='if(gt(iw,ih),min(%1\$d,2*trunc(ih/2)),-2)':flags=bicubic",
            $side,
        );
        $video = [
            'fps=' . Rate::FPS . ':start_time=0:round=near',
            'yadif=mode=send_frame:deint=interlaced',
            "scale=w='max(2,trunc(iw*sar))':h=ih,setsar=1",
            $fit(self::FULL_SIDE) . ($probe->isBright ? '' : ':out_color_matrix=bt709:out_range=tv'),
            ...($probe->isBright ? [
                'zscale=t=linear:npl=203,format=gbrpf32le,zscale=p=709,tonemap=mobius:param=0.7:desat=0',
                'zscale=t=709:m=709:r=tv',
            ] : []),
            'format=yuv420p',
        ];
        $made = \sprintf('[0:%d]%s', $probe->stream, implode(',', $video));
        $graph = $forPage ? "{$made},split=2[full][f];[f]{$fit(self::LIGHT_SIDE)}[light]" : "{$made}[full]";
        // One that does not say how long it is may have no end.
        $most = (string) (Limits::CLIP_FRAMES + 1);
        $coded = static fn(string $quality, string $group, string $file): array => [
            '-c:v', 'libx264', '-preset', 'veryfast', '-crf', $quality, '-g', $group, '-bf', '0', '-pix_fmt', 'yuv420p',
            '-frames:v', $most, '-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709', '-color_range', 'tv',
            '-video_track_timescale', (string) (Rate::FPS * 512), '-map_metadata', '-1', '-map_chapters', '-1',
            '-fflags', '+bitexact', '-movflags', '+faststart', '-f', 'mp4', Tool::file("{$folder}/{$file}"),
        ];
        Tool::lines([
            ...Tool::FFMPEG, '-v', 'error', '-progress', 'pipe:1', '-f', $probe->kind->value, '-i', Tool::file($path), '-filter_complex', $graph,
            '-map', '[full]', ...$coded('18', '15', PreparedClip::FULL),
            ...($forPage ? ['-map', '[light]', ...$coded('24', '1', PreparedClip::LIGHT)] : []),
        ], static function (string $line) use ($progress, $seconds): void {
            if (null !== $progress && 1 === preg_match('/^frame=\s*(\d+)/', $line, $found)) {
                $progress(min(1.0, (int) $found[1] / Rate::FPS / $seconds));
            }
        }, self::AT_LEAST + self::PATIENCE * $seconds);
    }

    /** @throws ToolFailed */
    private static function frames(string $mp4): int
    {
        [$said] = Tool::run([
            'ffprobe', '-v', 'error', '-select_streams', 'v:0', '-count_packets', '-show_entries',
            'stream=nb_read_packets', '-of', 'csv=p=0', Tool::file($mp4),
        ], 120);

        return (int) $said;
    }

    /** @throws ToolFailed */
    private function strip(string $folder, Clip $clip): void
    {
        $every = $clip->every();
        $rows = (int) ceil(ceil($clip->frames / $every) / Limits::STRIP_ACROSS);
        $filter = \sprintf("select='not(mod(n\\,%d))',scale=-2:%d,tile=%dx%d", $every, self::STRIP_HEIGHT, Limits::STRIP_ACROSS, $rows);
        Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($folder . '/' . PreparedClip::LIGHT), '-vf', $filter, '-vsync', '0', '-frames:v', '1',
            '-q:v', '5', '-fflags', '+bitexact', '-f', 'mjpeg', Tool::file($folder . '/' . PreparedClip::STRIP),
        ], 300);
    }

    /**
     * The frame that stands for it.
     *
     * @throws ToolFailed|Unreadable
     */
    private function poster(string $folder, int $frame): PreparedPicture
    {
        self::still($folder . '/' . PreparedClip::FULL, $frame, $folder . '/still.png');
        $made = (new PicturePreparer())->prepare($folder . '/still.png', $folder);
        unlink($folder . '/still.png');

        return $made;
    }

    /**
     * One frame of a prepared clip as PNG.
     *
     * @throws ToolFailed
     */
    public static function still(string $clip, int $frame, string $png): void
    {
        Tool::ffmpeg([
            '-v', 'error', ...self::from($frame), '-i', Tool::file($clip), '-frames:v', '1', '-f', 'image2pipe', '-c:v',
            'png', Tool::file($png),
        ]);
    }

    /**
     * How ffmpeg begins to read at a frame: half a frame before it there is no doubt which is meant.
     *
     * @return list<string>
     */
    public static function from(int $frame): array
    {
        return ['-ss', \sprintf('%.6F', max(0.0, ($frame - 0.5) / Rate::FPS))];
    }

    /**
     * As long as the pictures.
     *
     * @throws ToolFailed
     */
    private function sound(string $path, ClipProbe $probe, string $folder, int $frames): ?MeasuredMusic
    {
        $samples = $frames * Rate::SAMPLES_PER_FRAME;
        Tool::ffmpeg([
            '-v', 'error', '-f', $probe->kind->value, '-i', Tool::file($path), '-map', '0:a:0', '-vn', '-sn', '-dn',
            '-af', \sprintf(
                'aresample=%d:async=1:first_pts=0,aformat=channel_layouts=stereo,apad=whole_len=%d,atrim=end_sample=%d',
                Rate::SAMPLES,
                $samples,
                $samples,
            ),
            '-map_metadata', '-1', '-f', 'flac', Tool::file($folder . '/sound.flac'),
        ], 600);
        try {
            return (new MusicPreparer())->prepare($folder . '/sound.flac', $folder);
        } catch (Unreadable) {
            // Too short to be heard.
            return null;
        } finally {
            unlink($folder . '/sound.flac');
        }
    }

    /**
     * As it came, not coded anew, without its metadata but for how it is turned.
     *
     * @return string the name of its file
     *
     * @throws ToolFailed
     */
    private function original(string $path, ClipProbe $probe, string $folder): string
    {
        $name = PreparedClip::ORIGINAL . '.' . $probe->kind->value;
        Tool::ffmpeg([
            '-v', 'error', '-f', $probe->kind->value, '-i', Tool::file($path), '-map', "0:{$probe->stream}", '-map', '0:a:0?', '-c', 'copy',
            '-map_metadata', '-1', '-map_chapters', '-1', '-fflags', '+bitexact', '-f', $probe->kind->value, Tool::file("{$folder}/{$name}"),
        ], 900);

        return $name;
    }
}
