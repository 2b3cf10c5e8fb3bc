<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Unreadable;

final class SoundTest extends TestCase
{
    private Scratch $scratch;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function kinds(): iterable
    {
        yield 'WAV, 8 kHz' => ['wav', ['-ar', '8000', '-ac', '1']];
        yield 'WAV, 96 kHz, 5.1' => ['wav', ['-ar', '96000', '-ac', '6', '-c:a', 'pcm_s24le']];
        yield 'MP3' => ['mp3', ['-f', 'mp3']];
        yield 'M4A' => ['m4a', ['-f', 'mp4', '-c:a', 'aac']];
        yield 'Ogg' => ['ogg', ['-f', 'ogg', '-c:a', 'libopus']];
        yield 'FLAC' => ['flac', ['-f', 'flac']];
        yield 'WebM' => ['webm', ['-f', 'webm', '-c:a', 'libopus']];
        yield 'AIFF' => ['aiff', ['-f', 'aiff']];
    }

    /** @param list<string> $how */
    #[DataProvider('kinds')]
    public function testEveryKindOfSoundIsReadByItsContent(string $kind, array $how): void
    {
        Media::sound($this->scratch->path("in.{$kind}"), 'sine=440', 2.0, $how);
        rename($this->scratch->path("in.{$kind}"), $this->scratch->path('in.txt'));
        $sound = (new SoundPreparer())->prepare($this->scratch->path('in.txt'), $this->scratch->path('out.flac'));

        self::assertEqualsWithDelta(2.0 * 48_000, $sound->samples, 0.06 * 48_000);
        $probe = Media::probe($this->scratch->path('out.flac'));
        self::assertSame(
            ['flac', '48000', '1'],
            [$probe['streams.stream.0.codec_name'], $probe['streams.stream.0.sample_rate'], $probe['streams.stream.0.channels']],
        );
        self::assertSame((string) $sound->samples, $probe['streams.stream.0.duration_ts']);
    }

    /** EBU Tech 3341, case 1: a stereo sine of 1 kHz at -23 dBFS reads -23 LUFS. Here it is one channel, heard from two. */
    public function testLoudnessIsMeasuredAsHeardFromTwoChannels(): void
    {
        Media::sound($this->scratch->path('in.wav'), 'sine=1000:r=48000,volume=18dB,volume=-23dB', 20.0, ['-c:a', 'pcm_f32le']);
        $sound = (new SoundPreparer())->prepare($this->scratch->path('in.wav'), $this->scratch->path('out.flac'));

        // ffmpeg's sine has an amplitude of 1/8, which is -18.06 dBFS.
        self::assertEqualsWithDelta(-23.0, $sound->loudness, 0.2);
        self::assertEqualsWithDelta(-23.0, $sound->peak, 0.3);
    }

    public function testTheVoiceIsFoundBetweenItsSilences(): void
    {
        Media::speech($this->scratch->path('in.wav'), 'The tide mill turns twice a day.', -6, 1.0);
        $sound = (new SoundPreparer())->prepare($this->scratch->path('in.wav'), $this->scratch->path('out.flac'));

        self::assertEqualsWithDelta(1.0, $sound->from / 48_000, 0.25);
        self::assertEqualsWithDelta(1.0, ($sound->samples - $sound->to) / 48_000, 0.35);
        self::assertNotNull($sound->loudness);
        self::assertGreaterThan(0.05, max([0.0, ...$sound->peaks]));
    }

    public function testSilenceHasNoLoudness(): void
    {
        Media::sound($this->scratch->path('in.wav'), 'anullsrc=r=48000', 2.0);
        $sound = (new SoundPreparer())->prepare($this->scratch->path('in.wav'), $this->scratch->path('out.flac'));

        self::assertNull($sound->loudness);
        self::assertSame([0, $sound->samples], [$sound->from, $sound->to]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'nothing' => ['', 'file.empty'];
        yield 'a text' => ['This is what I wanted to say.', 'sound.unknown-kind'];
        yield 'a list of other files' => ["ffconcat version 1.0\nfile /etc/passwd\n", 'sound.unknown-kind'];
        yield 'a broken WAV' => ['RIFF' . "\xFF\0\0\0" . 'WAVEfmt ', 'sound.broken'];
        yield 'a film without sound' => ["\x1A\x45\xDF\xA3" . str_repeat("\0", 90), 'sound.broken'];
    }

    /** A WAV's header (RIFF, Microsoft Multimedia Programming Interface 1.0): what it says of itself is looked at before anything is decoded. */
    private static function wav(int $rate, int $channels, int $samples): string
    {
        $data = str_repeat("\x10\x20", $samples * $channels);

        return 'RIFF' . pack('V', 36 + \strlen($data)) . 'WAVEfmt ' . pack(
            'VvvVVvv',
            16,
            1,
            $channels,
            $rate,
            $rate * 2 * $channels,
            2 * $channels,
            16,
        ) . 'data' . pack('V', \strlen($data)) . $data;
    }

    /** @return iterable<string, array{0: string, 1: string, 2?: int}> the file, what is said of it, and how much silence follows */
    public static function monsters(): iterable
    {
        yield 'that says 1 Hz' => [self::wav(1, 1, 14_000), '"rate":1,'];
        yield 'that says 768 kHz' => [self::wav(768_000, 1, 14_000), '"rate":768000'];
        yield 'of twelve channels' => [self::wav(48_000, 12, 14_000), '"channels":12'];
        yield 'of five hours' => [
            substr(self::wav(8_000, 1, 1), 0, 40) . pack('V', 5 * 3600 * 16_000),
            'sound.too-long',
            5 * 3600 * 16_000,
        ];
    }

    #[DataProvider('monsters')]
    public function testWhatAFileSaysOfItselfIsReadBeforeItIsDecoded(string $bytes, string $says, int $silence = 0): void
    {
        $file = fopen($this->scratch->path('in.wav'), 'w');
        self::assertNotFalse($file);
        fwrite($file, $bytes);
        // Takes no room on the disk.
        ftruncate($file, max(0, \strlen($bytes) + $silence));
        fclose($file);
        try {
            (new SoundPreparer())->prepare($this->scratch->path('in.wav'), $this->scratch->path('out.flac'));
            self::fail('it is refused');
        } catch (Unreadable $problem) {
            self::assertStringContainsString($says, $problem->getMessage());
        }
        self::assertFileDoesNotExist($this->scratch->path('out.flac'), 'and nothing was decoded');
    }

    public function testTheLowestAndHighestRateAreRead(): void
    {
        foreach ([8_000, 192_000] as $rate) {
            file_put_contents($this->scratch->path('in.wav'), self::wav($rate, 2, $rate));
            self::assertEqualsWithDelta(
                48_000,
                (new SoundPreparer())->prepare($this->scratch->path('in.wav'), $this->scratch->path("{$rate}.flac"))->samples,
                64,
            );
        }
    }

    #[DataProvider('refused')]
    public function testWhatCannotBeHeardGetsASentence(string $bytes, string $says): void
    {
        file_put_contents($this->scratch->path('in.wav'), $bytes);
        $this->expectException(Unreadable::class);
        $this->expectExceptionMessageMatches('/' . $says . '/');
        (new SoundPreparer())->prepare($this->scratch->path('in.wav'), $this->scratch->path('out.flac'));
    }

    public function testATruncatedRecordingKeepsWhatItHas(): void
    {
        Media::sound($this->scratch->path('whole.webm'), 'sine=440', 6.0, ['-c:a', 'libopus', '-f', 'webm', '-cluster_time_limit', '1000']);
        $bytes = (string) file_get_contents($this->scratch->path('whole.webm'));
        file_put_contents($this->scratch->path('half.webm'), substr($bytes, 0, intdiv(\strlen($bytes), 2)));
        $sound = (new SoundPreparer())->prepare($this->scratch->path('half.webm'), $this->scratch->path('out.flac'));

        self::assertEqualsWithDelta(3.0, $sound->samples / 48_000, 1.1);
    }
}
