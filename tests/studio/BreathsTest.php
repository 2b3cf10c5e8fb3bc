<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Lowered;
use Rhapsode\Core\Edit\SetLowered;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Sound\Breaths;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\Mixer;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontWidths;

/**
 * Breaths and clicks of a mouth are found among what voices say, and what they say is not taken for either. (Voices by Debian's flite,
 * in the noise of a room. A breath is noise between 300 and 3000 Hz which swells and falls, 20 to 35 dB under the voice for a quarter to
 * half a second, as they are described by Ruinskiy and Lavner, 2007; from memory.)
 */
#[Group('deep')]
final class BreathsTest extends TestCase
{
    private const VOICES = ['kal16', 'rms', 'slt', 'awb'];
    private const TOLD = [
        'She sells six thick thistle sticks.', 'His house has a hatch, which she had to push.', 'Just wash the fish first, if such a dish exists.',
        'What a fuss, what a hush.', 'The chef has half a sheaf of chives.', 'Hot hats, that is what he thought.',
        'Then there was nothing left to say.',
    ];
    /** Seconds between two sentences. */
    private const PAUSE = 1.2;

    public function testBreathsAndClicksAreFoundAndSpeechIsLeftAlone(): void
    {
        $breaths = $clicks = $planted = $struck = $spoken = 0;
        $seconds = 0.0;
        foreach (self::VOICES as $v => $voice) {
            mt_srand(7 + $v);
            $scratch = new Scratch();
            [$sound, $breathed, $clicked] = self::spoken($scratch, $voice, $scratch->path('all.wav'));
            $measured = (new SoundPreparer())->prepare($scratch->path('all.wav'), $scratch->path('take.flac'));
            $planted += \count($breathed);
            $long = array_filter($measured->pauses, static fn(array $p): bool => $p[1] - $p[0] > 0.9 * self::PAUSE * 48_000);
            self::assertCount(\count(self::TOLD) - 1, $long, 'each between two sentences is one');
            $struck += \count($clicked);
            foreach ([[$measured->breaths, $breathed, &$breaths], [$measured->clicks, $clicked, &$clicks]] as [$found, $those, &$count]) {
                foreach ($found as [$from, $to]) {
                    $here = array_filter($those, static fn(array $one): bool => $from / 3 < $one[1] && $to / 3 > $one[0]);
                    [] === $here ? ++$spoken : ++$count;
                }
            }
            $seconds += \count($sound) / Breaths::RATE;
        }
        fwrite(\STDERR, \sprintf(
            "\nBeside the voice: %d of %d planted breaths and %d of %d planted clicks found (asked: 90 %%); "
            . "%d found in %.0f s where there is neither (asked: one a minute at most)\n",
            $breaths,
            $planted,
            $clicks,
            $struck,
            $spoken,
            $seconds,
        ));
        self::assertGreaterThanOrEqual(0.9 * $planted, $breaths);
        self::assertGreaterThanOrEqual(0.9 * $struck, $clicks);
        self::assertLessThanOrEqual($seconds / 60, $spoken);
        self::assertGreaterThan(8, $planted);
        self::assertGreaterThan(8, $struck);
    }

    public function testTheFilmHasThemLowerAndAsTheyWereRecorded(): void
    {
        mt_srand(3);
        $scratch = new Scratch();
        $folder = $scratch->path('story');
        mkdir($folder);
        Media::picture("{$folder}/0.jpg");
        [, [$breath]] = self::spoken($scratch, 'slt', "{$folder}/0.wav", 130);
        $renditions = new FolderRenditions($scratch->path('kept'));
        $story = (new StoryFolder($folder, $renditions))->read();
        $voice = $story->slides[0]->voice;
        $loud = static function (Lowered ...$asRecorded) use ($story, $voice, $renditions, $scratch, $breath): array {
            foreach ($asRecorded as $what) {
                $story = (new SetLowered($voice, $what, false))->apply($story);
            }
            $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story, []);
            (new Mixer($renditions))->mix($plan, FilmFormat::of($plan->shape), $scratch->path('mixed'));
            $at = $plan->plays[0]->at - $plan->plays[0]->from + 3 * $breath[0];
            $middle = intdiv(3 * ($breath[1] - $breath[0]), 2);

            return [self::level($scratch->path('mixed'), $at + $middle, 4800), self::level($scratch->path('mixed'), $at - 12_000, 4800)];
        };
        [$lower, $room] = $loud();
        [$breathes, $same] = $loud(Lowered::Breaths);
        [, $noisy] = $loud(Lowered::Noise);

        self::assertEqualsWithDelta(9.0, $breathes - $lower, 0.5, 'decibels');
        self::assertEqualsWithDelta($room, $same, 0.1, 'the room about it stays');
        self::assertGreaterThan(3.0, $noisy - $room, 'the room as it was recorded');
    }

    /** RMS of a stretch of a sound, dBFS. */
    private static function level(string $path, int $from, int $length): float
    {
        $filter = \sprintf('atrim=start_sample=%d:end_sample=%d,astats=measure_perchannel=none', $from, $from + $length);
        [, $said] = Tool::ffmpeg(['-i', $path, '-af', $filter, '-f', 'null', '-']);
        preg_match('/RMS level dB: (-?[\d.]+)/', $said, $found);

        return (float) ($found[1] ?? 0);
    }

    /** @return array{list<float>, list<array{int, int}>, list<array{int, int}>} the sound, and where there is what, at Breaths::RATE */
    private static function spoken(Scratch $scratch, string $voice, string $wav, float $noise = 13): array
    {
        $sound = self::quiet(0.6);
        $breathed = $clicked = [];
        foreach (self::TOLD as $i => $sentence) {
            Tool::run(['flite', '-voice', $voice, '-t', $sentence, '-o', $scratch->path('said.wav')]);
            [$raw] = Tool::ffmpeg(['-v', 'error', '-i', $scratch->path('said.wav'), '-ar', (string) Breaths::RATE, '-ac', '1', '-f', 'f32le', '-']);
            /** @var array<int, float> $said */
            $said = unpack('g*', $raw) ?: [];
            $sound = [...$sound, ...array_values($said)];
            if ($i === \count(self::TOLD) - 1) {
                break;
            }
            $pause = self::quiet(self::PAUSE);
            $at = (int) (mt_rand(45, 60) / 100 * Breaths::RATE);
            if (0 === $i % 2) {
                $breath = self::breath(mt_rand(25, 50) / 100, 10 ** (-mt_rand(34, 46) / 20));
                $breathed[] = [\count($sound) + $at, \count($sound) + $at + \count($breath)];
                foreach ($breath as $k => $sample) {
                    $pause[$at + $k] += $sample;
                }
            } else {
                $clicked[] = [\count($sound) + $at, \count($sound) + $at + 160];
                for ($k = 0; $k < 160; ++$k) {
                    $pause[$at + $k] += 0.03 * exp(-$k / 25) * sin($k * 1.1);
                }
            }
            $sound = [...$sound, ...$pause];
        }
        $sound = [...$sound, ...self::quiet(0.6)];
        $room = array_map(static fn(float $sample): int => (int) round(32_767 * max(-1, min(1, $sample + $noise * mt_rand(-100, 100) / 3_250_000))), $sound);
        file_put_contents($scratch->path('raw'), pack('s*', ...$room));
        Tool::ffmpeg(['-v', 'error', '-f', 's16le', '-ar', (string) Breaths::RATE, '-ac', '1', '-i', $scratch->path('raw'), $wav]);

        return [$sound, $breathed, $clicked];
    }

    /** @return list<float> */
    private static function quiet(float $seconds): array
    {
        return array_fill(0, (int) ($seconds * Breaths::RATE), 0.0);
    }

    /** @return list<float> noise that swells and falls, between two poles */
    private static function breath(float $seconds, float $level): array
    {
        $breath = [];
        $low = $lower = $slow = 0.0;
        $count = (int) ($seconds * Breaths::RATE);
        for ($i = 0; $i < $count; ++$i) {
            $noise = mt_rand(-1000, 1000) / 1000;
            $low += 0.5 * ($noise - $low);
            $lower += 0.5 * ($low - $lower);
            $slow += 0.12 * ($lower - $slow);
            $breath[] = 3 * $level * ($lower - $slow) * sin(\M_PI * $i / $count) ** 0.5;
        }

        return $breath;
    }
}
