<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Sound\Cepstra;
use Rhapsode\Core\Sound\Fourier;
use Rhapsode\Core\Sound\Repeats;
use Rhapsode\Studio\Prepare\RepeatFinder;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/**
 * What was said twice is found, and what was not is left alone: by voices of which none says a sentence twice alike. (Synthesized:
 * each time at another pace, another pitch, another loudness and with another colour, in the noise of a room.)
 */
final class RepeatsTest extends TestCase
{
    private const VOICES = ['kal16', 'rms', 'slt', 'awb'];
    private const TOLD = [
        [
            'Before the bridge was built, people crossed the river by ferry.', 'The ferryman lived in a hut beside the landing.',
            'A rope was drawn across from one bank to the other.', 'When the fog came down, nobody could see the far side.',
            'Then he rang a bell, and waited for an answer.',
        ],
        [
            'My aunt kept bees behind the school.', 'In spring she carried the hives into the orchard.',
            'We were allowed to watch if we stood quite still.', 'She wore a hat with a long grey veil.',
            'In the autumn there was honey for every child.',
        ],
        [
            'The market hall has eight doors and a clock.', 'The clock has been wrong since before I was born.',
            'People say that it waits for somebody.', 'On Saturdays a woman sells lamps made of paper.',
            'I bought one, and it hangs above my bed.',
        ],
    ];

    #[Group('deep')]
    public function testRepeatsAreFoundAndInnocentSentencesAreNotOffered(): void
    {
        $found = $planted = $offered = $innocent = 0;
        foreach (self::VOICES as $v => $voice) {
            foreach (self::TOLD as $t => $sentences) {
                mt_srand(100 * $v + $t);
                $scratch = new Scratch();
                // A sentence is broken off after some words, or said to its end and again; the second time of all nothing is.
                $slip = 2 === ($v + $t) % 4 ? null : mt_rand(0, 4);
                [$path, $flub] = self::spoken($scratch, $voice, $sentences, $slip, $t);
                $measured = (new SoundPreparer())->prepare($path, $scratch->path('take.flac'));
                $repeats = RepeatFinder::of($scratch->path('take.flac'), $measured->pauses, $measured->from);
                $innocent += \count($sentences);
                $planted += null === $flub ? 0 : 1;
                foreach ($repeats as [$first, $again]) {
                    if (null !== $flub && abs($first / 48_000 - $flub[0]) < 0.3 && abs($again / 48_000 - $flub[1]) < 0.3) {
                        ++$found;
                    } else {
                        ++$offered;
                    }
                }
            }
        }
        fwrite(\STDERR, \sprintf(
            "\nSaid twice: %d of %d planted repeats found, %d of %d innocent sentences offered (asked: 90 %%, at most 2 %%)\n",
            $found,
            $planted,
            $offered,
            $innocent,
        ));
        self::assertGreaterThanOrEqual(0.9 * $planted, $found);
        self::assertLessThanOrEqual(0.02 * $innocent, $offered);
        self::assertGreaterThan(5, $planted);
    }

    /**
     * @param list<string> $sentences
     *
     * @return array{string, array{float, float}|null} the recording; the seconds from which the slip and what was meant are said
     */
    private static function spoken(Scratch $scratch, string $voice, array $sentences, ?int $slip, int $how): array
    {
        $said = [];
        foreach ($sentences as $i => $sentence) {
            if ($i === $slip) {
                $words = explode(' ', $sentence);
                $said[] = 0 === $how ? $sentence : implode(' ', \array_slice($words, 0, 1 === $how ? \count($words) - 2 : max(3, intdiv(\count($words), 2))));
            }
            $said[] = $sentence;
        }
        $inputs = $filters = $starts = [];
        $at = 0.5;
        foreach ($said as $i => $text) {
            $part = $scratch->path("{$i}.wav");
            Tool::run(['flite', '-voice', $voice, '--setf', 'duration_stretch=' . mt_rand(92, 112) / 100, '--setf',
                'int_f0_target_mean=' . ('slt' === $voice ? 1.7 : 1) * mt_rand(92, 110), '-t', $text, '-o', $part]);
            $header = (string) file_get_contents($part, length: 44);
            $rate = (array) unpack('V', $header, 24);
            $seconds = ((int) filesize($part) - 44) / 2 / (\is_int($rate[1]) ? $rate[1] : 1) + mt_rand(20, 70) / 100;
            $inputs = [...$inputs, '-i', Tool::file($part)];
            $filters[] = \sprintf(
                '[%d]aresample=48000,equalizer=f=%d:width_type=o:w=2:g=%.1F,volume=%.1FdB,apad=whole_dur=%.3F,atrim=end=%5$.3F[p%1$d]',
                $i,
                mt_rand(500, 3000),
                mt_rand(-30, 30) / 10,
                mt_rand(-30, 30) / 10,
                $seconds,
            );
            $starts[] = $at;
            $at += $seconds;
        }
        $labels = implode('', array_map(static fn(int $i): string => "[p{$i}]", array_keys($said)));
        Tool::ffmpeg([
            '-v', 'error', ...$inputs, '-filter_complex', implode(';', $filters) . ";{$labels}concat=n=" . \count($said)
            . ":v=0:a=1,adelay=500,apad=pad_dur=0.5[v];anoisesrc=d={$at}:a=0.0008:r=48000[n];[v][n]amix=inputs=2:duration=first:normalize=0",
            $scratch->path('spoken.wav'),
        ]);

        return [$scratch->path('spoken.wav'), null === $slip ? null : [$starts[$slip], $starts[$slip + 1]]];
    }

    public function testTheSpectrumIsThatOfTheDefinition(): void
    {
        mt_srand(3);
        $samples = array_map(static fn(): float => mt_rand(-1000, 1000) / 1000, range(0, 31));
        foreach ((new Fourier(32))->power($samples) as $k => $power) {
            $real = $imaginary = 0.0;
            foreach ($samples as $n => $sample) {
                $real += $sample * cos(2 * \M_PI * $k * $n / 32);
                $imaginary -= $sample * sin(2 * \M_PI * $k * $n / 32);
            }
            self::assertEqualsWithDelta($real ** 2 + $imaginary ** 2, $power, 1e-9);
        }
    }

    public function testNothingIsFoundWhereThereIsNothing(): void
    {
        self::assertSame([], Repeats::of(Cepstra::of([]), [], 0));
        self::assertSame([], Repeats::of(Cepstra::of(array_fill(0, 16_000, 0.0)), [[10_000, 30_000], [50_000, 70_000]], 0));
        self::assertSame([], Repeats::of(Cepstra::of(array_fill(0, 100, 0.1)), [[10_000, 900_000]], 0), 'beyond its end');
    }
}
