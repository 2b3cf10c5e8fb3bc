<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Captions\Alignment;
use Rhapsode\Core\Sound\Trim;
use Rhapsode\Core\Words\Unit;
use Rhapsode\Core\Words\Units;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

/**
 * Speech is synthesized sentence by sentence (Debian's flite), so that it is known when each begins, with pauses between
 * them of many lengths, in several voices and speeds. When the alignment says each sentence begins is held against that.
 */
#[Group('deep')]
final class AlignmentTest extends TestCase
{
    private const SENTENCES = [
        'Twice a day the sea comes up the river.', 'It pushes the gates of the pond open, and fills it to the brim.', 'Then the miller waits.',
        'When the tide has gone out far enough, he lifts the sluice, and the water runs down through the race.', 'The great wheel turns.',
        'Five metres of oak, and not one nail in it!', 'Two sacks of flour an hour.', 'My grandmother remembers the noise, the dust, and the warm smell of barley.',
        'Nobody slept late in this village.', 'In the year of the flood the pond broke its wall, and for one winter the wheel stood still.',
        'They carried the stones back by hand.', 'Who paid for it?', 'Everyone did, with one day of work in seven.', 'Today it grinds again, on the first Sunday of every month.',
    ];
    /** Voice, stretch of its durations, shortest and longest pause in seconds, seed. */
    private const READINGS = [
        ['slt', 1.0, 0.35, 0.7, 1], ['kal16', 1.0, 0.2, 0.5, 2], ['rms', 1.0, 0.5, 1.6, 3], ['awb', 1.0, 0.15, 1.2, 4],
        ['slt', 1.35, 0.4, 2.0, 5], ['rms', 0.8, 0.18, 0.4, 6], ['kal16', 1.25, 0.3, 0.9, 7], ['awb', 0.85, 0.6, 1.0, 8],
    ];

    public function testSentencesBeginWhereTheyAreSaid(): void
    {
        $ours = $plain = [];
        foreach (self::READINGS as $reading) {
            [$errors, $even] = $this->read(...$reading);
            array_push($ours, ...$errors);
            array_push($plain, ...$even);
        }
        sort($ours);
        sort($plain);
        fprintf(\STDERR, "\nCaption timing over %d sentences: median %.2f s, 95th percentile %.2f s; a plain proportional split: %.2f s, %.2f s\n", \count($ours), self::at($ours, 0.5), self::at($ours, 0.95), self::at($plain, 0.5), self::at($plain, 0.95));

        self::assertLessThanOrEqual(0.15, self::at($ours, 0.5));
        self::assertLessThanOrEqual(0.5, self::at($ours, 0.95));
        self::assertLessThan(self::at($plain, 0.5), self::at($ours, 0.5));
    }

    /** @param list<float> $sorted */
    private static function at(array $sorted, float $share): float
    {
        return $sorted[(int) floor($share * (\count($sorted) - 1))] ?? \INF;
    }

    /** @return array{list<float>, list<float>} seconds by which each sentence's beginning is missed, by alignment and by an even split */
    private function read(string $voice, float $stretch, float $shortest, float $longest, int $seed): array
    {
        mt_srand($seed);
        $scratch = new Scratch();
        $from = mt_rand(0, 4);
        $sentences = \array_slice(self::SENTENCES, $from, mt_rand(6, 9));
        $begins = [];
        $at = 0.6;
        $list = "ffconcat version 1.0\n";
        $this->silence($scratch->path('silence-0.wav'), $at);
        foreach ($sentences as $i => $sentence) {
            Tool::run([
                'flite', '-voice', $voice, '--setf', 'duration_stretch=' . $stretch, '-t', $sentence, '-o',
                $scratch->path("raw-{$i}.wav"),
            ]);
            // flite puts a silence of its own about what it says: where the sound itself begins is found at 0.1 % of full scale.
            Tool::ffmpeg(
                [
                    '-v', 'error', '-i', $scratch->path("raw-{$i}.wav"), '-af',
                    'aresample=48000,silenceremove=start_periods=1:start_threshold=0.004:detection=peak,areverse,silenceremove=start_periods=1:start_threshold=0.004:detection=peak,areverse',
                    '-ac', '1', '-c:a', 'pcm_s16le', $scratch->path("said-{$i}.wav"),
                ],
            );
            $begins[] = $at;
            $pause = $shortest + ($longest - $shortest) * mt_rand() / mt_getrandmax();
            $at += (filesize($scratch->path("said-{$i}.wav")) - 78) / 96_000 + $pause;
            $this->silence($scratch->path('silence-' . ($i + 1) . '.wav'), $pause);
            $list .= "file silence-{$i}.wav\nfile said-{$i}.wav\n";
        }
        file_put_contents($scratch->path('list.txt'), $list . 'file silence-' . \count($sentences) . ".wav\n");
        // A quiet room is behind every voice.
        Tool::ffmpeg([
            '-v', 'error', '-f', 'concat', '-i', $scratch->path('list.txt'), '-f', 'lavfi', '-i',
            'anoisesrc=r=48000:a=0.0006:seed=' . $seed, '-filter_complex',
            '[0][1]amix=inputs=2:normalize=0:duration=first', '-c:a', 'pcm_s16le', $scratch->path('take.wav'),
        ]);
        $sound = (new SoundPreparer())->prepare($scratch->path('take.wav'), $scratch->path('take.flac'));
        $units = Units::of(implode(' ', $sentences), 'en');
        $begin = ($sound->from + Trim::BEFORE) / 48_000;
        $length = ($sound->to - Trim::AFTER) / 48_000 - $begin;
        $pauses = array_map(static fn(array $pause): array => [$pause[0] / 48_000 - $begin, $pause[1] / 48_000 - $begin], $sound->pauses);
        $pauses = array_values(array_filter($pauses, static fn(array $pause): bool => $pause[0] > 0 && $pause[1] < $length));

        return [
            self::missed($units, Alignment::of($units, $length, $pauses), $begin, $begins),
            self::missed($units, Alignment::of($units, $length, []), $begin, $begins),
        ];
    }

    private function silence(string $path, float $seconds): void
    {
        Tool::ffmpeg(
            ['-v', 'error', '-f', 'lavfi', '-i', 'anullsrc=r=48000:cl=mono', '-t', \sprintf('%.4F', $seconds), '-c:a', 'pcm_s16le', $path],
        );
    }

    /**
     * @param list<Unit>                $units
     * @param list<array{float, float}> $times
     * @param list<float>               $begins
     *
     * @return list<float>
     */
    private static function missed(array $units, array $times, float $begin, array $begins): array
    {
        $missed = [];
        $sentence = 0;
        foreach ($units as $i => $unit) {
            if (0 === $i || Unit::SENTENCE === $units[$i - 1]->break) {
                $missed[] = abs($begin + $times[$i][0] - ($begins[$sentence++] ?? \INF));
            }
        }

        return $missed;
    }
}
