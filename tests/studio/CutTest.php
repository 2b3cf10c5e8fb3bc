<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Edit\LeaveOut;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\Mixer;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontWidths;

/** What is left out of a voice in the middle of a word leaves no click in the film's own sound. */
final class CutTest extends TestCase
{
    /** Samples about a cut that are looked at, and those about it that they are compared with. */
    private const AT = 480;
    private const ABOUT = 24_000;

    public function testACutInTheMiddleOfAWordDoesNotClick(): void
    {
        $scratch = new Scratch();
        $folder = $scratch->path('story');
        mkdir($folder);
        Media::picture("{$folder}/0.jpg");
        $said = 'The tide comes in twice a day, and fills the pond behind the mill. At low water the wheel turns until it is empty.';
        Tool::run(['flite', '-voice', 'slt', '-t', $said, '-o', "{$folder}/0.wav"]);
        $renditions = new FolderRenditions($scratch->path('kept'));
        $story = (new StoryFolder($folder, $renditions))->read();
        $whole = $story->slides[0]->voice;
        $samples = self::samples($renditions->voice($whole[0]->asset));

        // Where it is loud, and where two sides that do not fit meet.
        $clicks = 0;
        $places = [];
        $length = VoiceThread::length($whole);
        for ($k = 1; $k <= 5; ++$k) {
            $from = self::loudest($samples, $whole[0]->from + intdiv($k * $length, 7), 1);
            $to = self::loudest($samples, $from + 9_600, -1);
            $places[] = [$from - $whole[0]->from, $to - $whole[0]->from];
            $clicks += abs($samples[$to] - $samples[$from - 1]) > self::usual($samples, $from) ? 1 : 0;
        }
        self::assertSame(5, $clicks, 'put together as they are they would click');
        foreach (array_reverse($places) as [$from, $to]) {
            $story = (new LeaveOut($story->slides[0]->id, VoiceThread::part($whole, $from, $to)))->apply($story);
        }
        self::assertCount(6, $story->slides[0]->voice);

        $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story, []);
        (new Mixer($renditions))->mix($plan, FilmFormat::of($plan->shape), $scratch->path('mixed'));
        $heard = self::samples($scratch->path('mixed'));
        $cuts = array_map(static fn(object $play): int => $play->at, \array_slice($plan->plays, 1));
        self::assertCount(5, $cuts);
        foreach ($cuts as $cut) {
            $steps = [];
            for ($i = $cut - self::AT; $i < $cut + self::AT; ++$i) {
                $steps[] = abs($heard[$i] - $heard[$i - 1]);
            }
            self::assertLessThanOrEqual(self::usual($heard, $cut), max([0.0, ...$steps]), 'no step above those about it');
        }
    }

    /**
     * @param list<float> $samples
     *
     * @return int the place with the highest or lowest of the samples of a fiftieth of a second from there
     */
    private static function loudest(array $samples, int $from, int $sign): int
    {
        $best = $from;
        for ($i = $from; $i < $from + 960; ++$i) {
            $best = $sign * $samples[$i] > $sign * $samples[$best] ? $i : $best;
        }

        return $best;
    }

    /**
     * @param list<float> $samples
     *
     * @return float what 999 of 1000 steps from sample to sample about a place do not exceed
     */
    private static function usual(array $samples, int $place): float
    {
        $steps = [];
        for ($i = max(1, $place - self::ABOUT); $i < min(\count($samples), $place + self::ABOUT); ++$i) {
            if (abs($i - $place) > self::AT) {
                $steps[] = abs($samples[$i] - $samples[$i - 1]);
            }
        }
        sort($steps);

        return $steps[(int) (0.999 * \count($steps))];
    }

    /** @return list<float> of the first channel, at 48 kHz */
    private static function samples(string $path): array
    {
        [$bytes] = Tool::ffmpeg([
            '-v', 'error', '-i', Tool::file($path), '-af', 'pan=mono|c0=c0', '-ar', (string) Rate::SAMPLES, '-f', 'f32le', '-',
        ]);
        /** @var array<int, float> $samples */
        $samples = unpack('g*', $bytes);

        return array_values($samples);
    }
}
