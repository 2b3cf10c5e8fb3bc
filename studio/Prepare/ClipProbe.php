<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

/**
 * What a file of moving pictures says of itself, looked at before anything is decoded.
 *
 * @phpstan-type Stream array{
 *     codec_type?: string, codec_name?: string, width?: int, height?: int, color_transfer?: string, disposition?: array<string, int>,
 * }
 */
final readonly class ClipProbe
{
    public const MOST_BYTES = Limits::CLIP_BYTES;
    private const ASKED = 'stream=codec_type,codec_name,width,height,color_transfer:stream_disposition=attached_pic'
        . ':format=duration:format_tags=title,artist,copyright,description';
    private const MOST_STREAMS = 32;
    private const MOST_SIDE = 8192;
    /** What cameras, phones, screen recorders and browsers write. */
    private const CODECS = ['h264', 'hevc', 'vp8', 'vp9', 'av1', 'mpeg4', 'mjpeg', 'h263'];
    /** Transfers of more light than a screen's white: hybrid log-gamma and the perceptual quantizer (ITU-R BT.2100). */
    private const BRIGHT = ['arib-std-b67', 'smpte2084'];

    /**
     * @param int    $stream  of the pictures, counted among all
     * @param float  $seconds 0 where it does not say
     */
    private function __construct(
        public ClipKind $kind,
        public int $stream,
        public bool $hasSound,
        public bool $isBright,
        public float $seconds,
        public Source $source,
        public string $description,
    ) {}

    /** @throws Unreadable in one sentence when it is no clip, or one that cannot be read */
    public static function of(string $path): self
    {
        if ((int) filesize($path) > self::MOST_BYTES) {
            throw new Unreadable('clip.too-large', ['most' => intdiv(self::MOST_BYTES, 1_000_000)]);
        }
        $head = (string) file_get_contents($path, length: 64);
        if ('' === $head) {
            throw new Unreadable('file.empty');
        }
        $kind = ClipKind::of($head) ?? throw new Unreadable('clip.unknown-kind');
        $told = self::told($path, $kind);
        $streams = $told['streams'] ?? [];
        if (\count($streams) > self::MOST_STREAMS) {
            throw new Unreadable('clip.broken');
        }
        $number = self::pictures($streams) ?? throw new Unreadable('clip.no-pictures');
        self::check($streams[$number]);
        $seconds = (float) ($told['format']['duration'] ?? 0);
        if ($seconds > Limits::CLIP + 1) {
            throw self::tooLong();
        }
        $says = static fn(
            string $tag,
            int $most,
        ): string => mb_substr(Fields::cleaned(mb_scrub((string) ($told['format']['tags'][$tag] ?? ''))), 0, $most);

        return new self(
            $kind,
            $number,
            [] !== array_filter($streams, static fn(array $one): bool => 'audio' === ($one['codec_type'] ?? '')),
            \in_array($streams[$number]['color_transfer'] ?? '', self::BRIGHT, true),
            $seconds,
            new Source(
                $says('title', Limits::SOURCE_TITLE),
                $says('artist', Limits::SOURCE_AUTHOR),
                '',
                $says('copyright', Limits::SOURCE_LICENCE),
            ),
            $says('description', Limits::WORDS),
        );
    }

    public static function tooLong(): Unreadable
    {
        return new Unreadable('clip.too-long', ['minutes' => intdiv(Limits::CLIP, 60)]);
    }

    /** Whether a file holds sound and no pictures; what cannot be told is not. */
    public static function isSound(string $path): bool
    {
        try {
            self::of($path);

            return false;
        } catch (Unreadable $problem) {
            return 'clip.no-pictures' === $problem->said->code;
        }
    }

    /**
     * @return array{streams?: list<Stream>, format?: array{duration?: string, tags?: array<string, string>}}
     *
     * @throws Unreadable
     */
    private static function told(string $path, ClipKind $kind): array
    {
        try {
            [$said] = Tool::run([
                'ffprobe', '-v', 'error', '-protocol_whitelist', 'file,pipe', '-f', $kind->value,
                '-show_entries', self::ASKED,
                '-of', 'json', Tool::file($path),
            ], 60);

            /** @phpstan-ignore return.type (as ffprobe writes it; every value is taken for what it may be) */
            return json_decode($said, true, 8, \JSON_THROW_ON_ERROR);
        } catch (ToolFailed|\JsonException $problem) {
            throw new Unreadable('clip.broken', previous: $problem);
        }
    }

    /**
     * The first stream of pictures that is not a cover.
     *
     * @param list<Stream> $streams
     */
    private static function pictures(array $streams): ?int
    {
        foreach ($streams as $number => $stream) {
            if ('video' === ($stream['codec_type'] ?? '') && 0 === ($stream['disposition']['attached_pic'] ?? 0)) {
                return $number;
            }
        }

        return null;
    }

    /**
     * @param Stream $stream
     *
     * @throws Unreadable
     */
    private static function check(array $stream): void
    {
        if (!\in_array($stream['codec_name'] ?? '', self::CODECS, true)) {
            throw new Unreadable('clip.unknown-codec', ['codec' => $stream['codec_name'] ?? '?']);
        }
        [$width, $height] = [$stream['width'] ?? 0, $stream['height'] ?? 0];
        if ($width < 2 || $height < 2) {
            throw new Unreadable('clip.broken');
        }
        if (max($width, $height) > self::MOST_SIDE) {
            throw new Unreadable('clip.too-wide', ['width' => $width, 'height' => $height, 'most' => self::MOST_SIDE]);
        }
    }
}
