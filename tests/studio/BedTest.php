<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/** Music under the voice in the film itself; and noise under the voice. */
final class BedTest extends TestCase
{
    /** The bed is a tone at 10 kHz, where a voice of 4 kHz has nothing: so each is heard alone in one film. */
    private const TONE = 'highpass=f=8000,highpass=f=8000,';
    private static Scratch $scratch;
    /** @var list<array{start: float, end: float}> */
    private static array $voices = [];

    public static function setUpBeforeClass(): void
    {
        self::$scratch = new Scratch();
        $folder = self::$scratch->path('story');
        mkdir($folder);
        foreach ([
            'The tide comes in twice a day, and fills the pond behind the mill.',
            '',
            'At low water the wheel turns, and the miller works until the pond is empty.',
        ] as $i => $said) {
            Media::picture("{$folder}/{$i}.jpg");
            if ('' !== $said) {
                // A voice of 8 kHz sampling, at very different levels.
                Tool::run(['flite', '-voice', 'kal', '-t', $said, '-o', "{$folder}/raw.wav"]);
                Tool::ffmpeg([
                    '-v', 'error', '-i', "{$folder}/raw.wav", '-af',
                    \sprintf('volume=%ddB,adelay=700:all=1,apad=pad_dur=0.8', 0 === $i ? -18 : 0), "{$folder}/{$i}.wav",
                ]);
                unlink("{$folder}/raw.wav");
            }
        }
        Media::sound(
            "{$folder}/bed.ogg",
            'aevalsrc=0.2*sin(2*PI*10000*t)|0.2*sin(2*PI*10000*t):s=48000',
            9.0,
            ['-c:a', 'flac', '-f', 'ogg'],
        );
        $run = static fn(string ...$arguments): string => Tool::run(
            ['env', 'XDG_CACHE_HOME=' . self::$scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', ...array_values($arguments)],
            300,
            20_000,
        )[0];
        $run('film', $folder, self::$scratch->path('film.mp4'), '--size', 'small');
        /** @var array{plays: list<array{bus: string, start: float, end: float}>} $plan */
        $plan = json_decode($run('plan', $folder), true, 16, \JSON_THROW_ON_ERROR);
        self::assertGreaterThan(1, \count(array_keys(array_column($plan['plays'], 'bus'), 'bed', true)), 'a short piece begins again');
        self::$voices = array_values(array_filter($plan['plays'], static fn(array $play): bool => 'voice' === $play['bus']));
    }

    /** Loudness (ITU-R BS.1770) of a part of the film, through a filter. */
    private static function heard(float $from, float $to, string $filter = ''): float
    {
        [, $said] = Tool::ffmpeg([
            '-i', self::$scratch->path('film.mp4'), '-map', '0:a', '-af',
            \sprintf('%satrim=%F:%F,asetpts=N/SR/TB,apad=pad_dur=0.4,ebur128=framelog=verbose', $filter, $from, $to),
            '-f', 'null', '-',
        ]);

        return 1 === preg_match(
            '/I:\s+(-?[\d.]+) LUFS/',
            substr($said, (int) strrpos($said, 'Summary:')),
            $found,
        ) ? (float) $found[1] : -70.0;
    }

    /** WCAG 2.2, 1.4.7: background sounds are at least 20 dB lower than the speech, but for a second or two now and then. */
    public function testItLiesTwentyDecibelsUnderTheVoice(): void
    {
        foreach (self::$voices as $voice) {
            $speech = self::heard($voice['start'], $voice['end'], 'lowpass=f=5000,lowpass=f=5000,');
            self::assertEqualsWithDelta(-16.0, $speech, 1.0, 'every voice at one loudness, whatever it was recorded at');
            self::assertLessThanOrEqual($speech - 20.0, self::heard($voice['start'], $voice['end'], self::TONE));
            self::assertLessThanOrEqual(
                $speech - 20.0,
                self::heard($voice['start'] - 0.05, $voice['start'] + 0.5, self::TONE),
                'already down when the voice begins',
            );
        }
        $between = (self::$voices[0]['end'] + self::$voices[1]['start']) / 2;
        self::assertGreaterThan(-16.0 - 20, self::heard($between - 0.7, $between + 0.7, self::TONE), 'and up again where nobody speaks');
    }

    public function testTheFilmIsAtItsLoudnessWithTheBedToo(): void
    {
        $film = Media::loudness(self::$scratch->path('film.mp4'));

        self::assertEqualsWithDelta(-16.0, $film['integrated'], 0.5);
        self::assertLessThanOrEqual(-1.0, $film['peak']);
    }

    public function testItFadesInAndOut(): void
    {
        $probe = Media::probe(self::$scratch->path('film.mp4'));
        $end = (float) $probe['format.duration'];

        self::assertLessThan(self::heard(1.5, 2.0, self::TONE) - 6, self::heard(0.0, 0.4, self::TONE));
        self::assertLessThan(-45, self::heard($end - 0.3, $end, self::TONE));
    }

    /** @return iterable<string, array{string}> */
    public static function noises(): iterable
    {
        yield 'hiss' => ['anoisesrc=r=48000:a=0.02:c=white:seed=3'];
        yield 'hum of the mains' => [
            'aevalsrc=0.02*sin(2*PI*50*t)+0.012*sin(2*PI*100*t)+0.008*sin(2*PI*150*t)+0.004*sin(2*PI*250*t):s=48000',
        ];
    }

    #[DataProvider('noises')]
    public function testASteadyNoiseIsLoweredGentlyAndTheVoiceStaysWhereItIs(string $noise): void
    {
        $scratch = new Scratch();
        Media::speech($scratch->path('voice.wav'), 'The wheel is five metres high. It turns twice a day, and nobody sleeps late.', -6, 1.0);
        Tool::ffmpeg([
            '-v', 'error', '-i', $scratch->path('voice.wav'), '-f', 'lavfi', '-i', $noise, '-filter_complex',
            '[0]aresample=48000[v];[v][1]amix=inputs=2:normalize=0:duration=first', '-c:a', 'pcm_s16le',
            $scratch->path('noisy.wav'),
        ]);
        $sound = (new SoundPreparer())->prepare($scratch->path('noisy.wav'), $scratch->path('take.flac'));
        $level = static function (string $path, float $from, float $to): float {
            [
                ,
                $said,
            ] = Tool::ffmpeg(['-i', $path, '-af', \sprintf('atrim=%F:%F,astats=measure_perchannel=none', $from, $to), '-f', 'null', '-']);
            preg_match('/RMS level dB: (-?[\d.]+)/', $said, $found);

            return (float) ($found[1] ?? 0);
        };

        self::assertGreaterThan(5.0, $sound->cleaned);
        $lowered = $level($scratch->path('noisy.wav'), 0.15, 0.85) - $level($scratch->path('take.flac'), 0.15, 0.85);
        self::assertGreaterThan(5.0, $lowered, 'decibels');
        self::assertLessThan(14.0, $lowered, 'gently');
        self::assertEqualsWithDelta($level($scratch->path('noisy.wav'), 1.2, 3.0), $level($scratch->path('take.flac'), 1.2, 3.0), 1.0);
        self::assertSame(Media::probe($scratch->path('take.flac'))['streams.stream.0.duration_ts'], (string) $sound->samples);
        // Not a millisecond late: taken from the noisy one, the clean one leaves less than the voice had.
        Tool::ffmpeg([
            '-v', 'error', '-i', $scratch->path('noisy.wav'), '-i', $scratch->path('take.flac'), '-filter_complex',
            '[1]volume=-1[n];[0][n]amix=inputs=2:normalize=0', '-c:a', 'pcm_s16le', $scratch->path('left.wav'),
        ]);
        self::assertLessThan($level($scratch->path('take.flac'), 1.2, 3.0) - 8, $level($scratch->path('left.wav'), 1.2, 3.0));
    }

    public function testAQuietRoomIsLeftAlone(): void
    {
        $scratch = new Scratch();
        Media::speech($scratch->path('voice.wav'), 'The wheel turns.', -6, 1.0);

        self::assertSame(0.0, (new SoundPreparer())->prepare($scratch->path('voice.wav'), $scratch->path('take.flac'))->cleaned);
    }

    public function testAVoiceCutOffByTheMicrophoneIsNoticedAtAnyLevel(): void
    {
        $scratch = new Scratch();
        Media::speech($scratch->path('voice.wav'), 'The wheel is five metres high. It turns twice a day, and nobody sleeps late.', -6, 1.0);
        // What a microphone does that is shouted at, turned down afterwards.
        Tool::ffmpeg([
            '-v', 'error', '-i', $scratch->path('voice.wav'), '-af', 'volume=20dB:precision=fixed,volume=-9dB', '-c:a',
            'pcm_s16le', $scratch->path('shouted.wav'),
        ]);

        self::assertFalse((new SoundPreparer())->prepare($scratch->path('voice.wav'), $scratch->path('a.flac'))->clipped);
        self::assertTrue((new SoundPreparer())->prepare($scratch->path('shouted.wav'), $scratch->path('b.flac'))->clipped);
    }
}
