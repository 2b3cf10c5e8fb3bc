<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** One long recording for the whole story. */
final class SplitTest extends TestCase
{
    private const SCRIPTS = [
        'The tide comes in. It fills the pond behind the mill.',
        'Then the gates fall shut, all by themselves, and the miller waits until the river is low. He drinks his tea.',
        'The wheel turns.',
        'Two sacks an hour, day and night, as long as the water lasts. Then he sleeps.',
    ];

    #[Group('deep')]
    public function testItIsCutWhereOneSlidesScriptEnds(): void
    {
        $scratch = new Scratch();
        $folder = $scratch->path('story');
        mkdir($folder);
        $at = 0.5;
        $ends = [];
        $list = "ffconcat version 1.0\nfile gap.wav\n";
        Tool::ffmpeg(['-v', 'error', '-f', 'lavfi', '-i', 'anullsrc=r=16000:cl=mono', '-t', '0.5', $scratch->path('gap.wav')]);
        foreach (self::SCRIPTS as $i => $script) {
            Media::picture("{$folder}/{$i}.jpg");
            file_put_contents("{$folder}/{$i}.txt", $script);
            Tool::run(['flite', '-voice', 'slt', '-t', $script, '-o', $scratch->path("{$i}.wav")]);
            $at += (filesize($scratch->path("{$i}.wav")) - 44) / 32_000;
            $ends[] = $at + 0.25;
            $at += 0.5;
            $list .= "file {$i}.wav\nfile gap.wav\n";
        }
        file_put_contents($scratch->path('list.txt'), $list);
        Tool::ffmpeg(['-v', 'error', '-f', 'concat', '-i', $scratch->path('list.txt'), $scratch->path('whole.wav')]);
        $rhapsode = static fn(string ...$arguments): string => Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', ...array_values($arguments)],
            120,
            20_000,
        )[0];
        /** @var list<array{file: string, from: float, to: float, confidence: float}> $parts */
        $parts = json_decode($rhapsode('split', $scratch->path('whole.wav'), $folder, '--write'), true, 8, \JSON_THROW_ON_ERROR);

        self::assertSame(['0.jpg', '1.jpg', '2.jpg', '3.jpg'], array_column($parts, 'file'));
        foreach ([0, 1, 2] as $i) {
            self::assertEqualsWithDelta($ends[$i], $parts[$i]['to'], 0.4, "the end of slide {$i}");
            self::assertGreaterThan(0.5, $parts[$i]['confidence']);
        }
        self::assertFileExists("{$folder}/2.flac");
        // What was cut is heard in the film, each part with its slide.
        $plan = json_decode($rhapsode('plan', $folder), true, 16, \JSON_THROW_ON_ERROR);
        \assert(\is_array($plan) && \is_array($plan['scenes']) && \is_array($plan['plays']));
        self::assertEqualsCanonicalizing(array_column($plan['scenes'], 'id'), array_column($plan['plays'], 'slide'));
    }

    public function testARecordingWithoutPausesIsSaid(): void
    {
        $scratch = new Scratch();
        Media::picture($scratch->path('1.jpg'));
        Media::picture($scratch->path('2.jpg'));
        mkdir($scratch->path('elsewhere'));
        Media::sound($scratch->path('elsewhere/whole.wav'), 'sine=300', 3.0);
        $this->expectException(ToolFailed::class);
        $this->expectExceptionMessageMatches('/0 pauses, too few to be cut for 2 slides/');
        Tool::run([
            'env',
            'XDG_CACHE_HOME=' . $scratch->path('cache'),
            \dirname(__DIR__, 2) . '/bin/rhapsode',
            'split',
            $scratch->path('elsewhere/whole.wav'),
            $scratch->folder,
        ], 120, 20_000);
    }
}
