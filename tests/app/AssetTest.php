<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetPart;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Asset\AssetSweeper;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Studio\Prepare\SoundReader;
use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Uid\Uuid;

final class AssetTest extends AppTestCase
{
    /** @return list<string> */
    public static function recording(): array
    {
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.webm';
        Media::sound($path, 'sine=300:r=48000', 3.0, ['-c:a', 'libopus', '-f', 'webm']);
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return str_split($bytes, max(1, (int) ceil(\strlen($bytes) / 3)));
    }

    /** @return array{string, string, string} story, slide and asset */
    private function begun(): array
    {
        $story = $this->as('sam')->story();
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'id'));
        $asset = StoryTest::text($this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'voice', 'slide' => $slide], 201)['id']);

        return [$story, $slide, $asset];
    }

    public function testARecordingArrivesInPartsAndTheSlideSpeaksWithIt(): void
    {
        [$story, , $asset] = $this->begun();
        // Out of order, and one of them twice: as a bad network brings them.
        $parts = self::recording();
        foreach ([1, 0, 1, 2] as $number) {
            self::assertSame(204, $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $parts[$number])->getStatusCode());
        }
        self::assertSame([0, 1, 2], $this->told('GET', "/api/assets/{$asset}")['parts']);
        self::assertSame('waiting', $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202)['state']);
        self::assertSame('ready', $this->prepared($asset)['state']);

        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertSame($asset, self::at($view, 'story', 'slides', 0, 'voice', 0, 'asset'));
        self::assertEqualsWithDelta(3.0 * 48_000, self::at($view, 'story', 'assets', $asset, 'samples'), 3000);
        self::assertNotEmpty(self::at($view, 'waveforms', $asset));
        self::assertSame(
            "/_store/takes/{$asset}/take.flac",
            $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/voice.flac")->headers->get('X-Accel-Redirect'),
        );
        $store = self::service(Store::class);
        self::assertSame(
            'opus',
            Media::probe($store->near(AssetFiles::voice($asset, AssetFiles::ORIGINAL)))['streams.stream.0.codec_name'],
            'it is kept as it came',
        );
        self::assertSame([], $this->told('GET', "/api/assets/{$asset}")['parts'], 'and its parts are needed no more');
        // Asked again, the same answer, and nothing new.
        $revision = $this->revision($story);
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        $this->prepared($asset);
        self::assertSame($revision, $this->revision($story));
    }

    public function testWhereANoiseWasLoweredTheVoiceIsHadWithItToo(): void
    {
        [$story, , $asset] = $this->begun();
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.wav';
        $said = 'flite=text=The wheel turns twice a day. Nobody sleeps late.,aresample=48000,adelay=1000,apad=pad_dur=1[v]';
        Media::sound($path, "{$said};anoisesrc=r=48000:a=0.01:c=white:seed=3[n];[v][n]amix=inputs=2:normalize=0:duration=first", 6.0);
        $this->ask('PUT', "/api/assets/{$asset}/parts/0", (string) file_get_contents($path));
        unlink($path);
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 1], 202);
        $this->prepared($asset);
        $view = $this->told('GET', "/api/stories/{$story}");

        self::assertGreaterThan(3, self::at($view, 'story', 'assets', $asset, 'cleaned'));
        self::assertSame(
            "/_store/takes/{$asset}/untouched.flac",
            $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/untouched.flac")->headers->get('X-Accel-Redirect'),
        );
        $store = self::service(Store::class);
        $file = static fn(string $name): string => hash_file('sha256', $store->near(AssetFiles::voice($asset, $name))) ?: '';
        self::assertNotSame($file(AssetFiles::VOICE), $file(AssetFiles::UNTOUCHED));

        $this->edit($story, ['do' => 'set lowered', 'voice' => self::at($view, 'story', 'slides', 0, 'voice'), 'what' => 'noise', 'isLowered' => false]);
        $plays = self::at($this->told('GET', "/api/stories/{$story}"), 'plan', 'plays');
        self::assertIsArray($plays);
        self::assertSame([true], array_column($plays, 'untouched'));
    }

    public function testWhereNoneWasLoweredThereIsNoOther(): void
    {
        [$story, $slide] = $this->begun();
        $asset = $this->spoken($story, ['slide' => $slide]);

        self::assertSame(404, $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/untouched.flac")->getStatusCode());
    }

    /** @param array<string, mixed> $new */
    private function spoken(string $story, array $new): string
    {
        $asset = StoryTest::text($this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'voice', ...$new], 201)['id']);
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        self::assertSame('ready', $this->prepared($asset)['state']);

        return $asset;
    }

    public function testASentenceIsSaidAgainBetweenTheOthersAndThatIsUndone(): void
    {
        [$story, $slide] = $this->begun();
        $first = $this->spoken($story, ['slide' => $slide]);
        $part = static fn(int $from, int $to): array => ['asset' => $first, 'from' => $from, 'to' => $to];
        $around = ['voice' => [$part(1_000, 30_000), $part(40_000, 120_000)], 'from' => 29_000, 'to' => 79_000];
        $again = $this->spoken($story, ['slide' => $slide, 'around' => $around]);

        $voice = self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'voice');
        self::assertIsArray($voice);
        self::assertSame([$first, $again, $first], array_column($voice, 'asset'));
        self::assertSame([$part(1_000, 30_000), $part(90_000, 120_000)], [$voice[0], $voice[2]]);
        $told = $this->told('GET', "/api/stories/{$story}/slides/{$slide}/spoken.json");
        self::assertSame(array_sum(array_column($voice, 'to')) - array_sum(array_column($voice, 'from')), $told['samples']);

        $this->told('POST', "/api/stories/{$story}/undo", null, 200, ['If-Match' => '"' . $this->revision($story) . '"']);
        self::assertSame([$first], array_column((array) self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'voice'), 'asset'));
    }

    public function testOneRecordingForManySlidesIsDividedByItsSteps(): void
    {
        [$story, $slide, $asset] = $this->begun();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $second = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        $steps = [['slide' => $slide, 'at' => 0], ['slide' => $second, 'at' => 72_000], ['slide' => 'gone', 'at' => 900_000]];
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3, 'steps' => [['slide' => $slide, 'at' => -1]]], 422);
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3, 'steps' => $steps], 202);
        self::assertSame('ready', $this->prepared($asset)['state']);

        $view = $this->told('GET', "/api/stories/{$story}");
        $voice = static fn(int $i, string $key): mixed => self::at($view, 'story', 'slides', $i, 'voice', 0, $key);
        self::assertSame([$asset, $asset], [$voice(0, 'asset'), $voice(1, 'asset')]);
        self::assertLessThanOrEqual($voice(1, 'from'), $voice(0, 'to'));
    }

    public function testWhereTheRecorderLostSoundTheStepsAndThePointingAreFoundEarlier(): void
    {
        [$story, $slide, $asset] = $this->begun();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $second = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        // By the clock it took six seconds; three of them are there.
        $told = [
            'parts' => 3, 'steps' => [['slide' => $slide, 'at' => 0], ['slide' => $second, 'at' => 144_000]],
            'pointing' => [['form' => 'ring', 'points' => [[2000, 0.5, 0.5], [4000, 0.5, 0.5]]]],
        ];
        $this->told('POST', "/api/assets/{$asset}/finish", [...$told, 'recorded' => 0], 422);
        $this->told('POST', "/api/assets/{$asset}/finish", [...$told, 'recorded' => 288_000], 202);
        self::assertSame('ready', $this->prepared($asset)['state']);

        $view = $this->told('GET', "/api/stories/{$story}");
        self::assertEqualsWithDelta(72_000, self::at($view, 'story', 'slides', 1, 'voice', 0, 'from'), 1500);
        self::assertEqualsWithDelta(1000, self::at($view, 'story', 'assets', $asset, 'take', 'pointing', 0, 'points', 0, 0), 15);
    }

    public function testWhereSomebodyPointedComesInWithTheVoiceAndNothingOfItRefusesThat(): void
    {
        [$story, $slide, $asset] = $this->begun();
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        $stroke = static fn(array $points): array => ['form' => 'ring', 'over' => 'p', 'points' => $points];
        $pointing = [$stroke([[500, 0.25, 0.5], [900, 0.25, 0.5]]), $stroke([[5, 7, 0.5]]), $stroke([[9, 0, 0], [5, 0, 0]])];
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3, 'pointing' => $pointing], 202);
        self::assertSame('ready', $this->prepared($asset)['state']);
        $take = fn(): mixed => self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'assets', $asset, 'take', 'pointing');
        self::assertEquals([$stroke([[500, 0.25, 0.5], [900, 0.25, 0.5]])], $take());

        // Two do it again at once: one of them is told to look first, and nothing is lost.
        $voice = [['asset' => $asset, 'from' => 0, 'to' => 48_000]];
        $again = ['edits' => [['do' => 'set pointing', 'voice' => $voice, 'strokes' => [$stroke([[0, 0.75, 0.5], [400, 0.75, 0.5]])]]]];
        $revision = ['If-Match' => '"' . $this->revision($story) . '"'];
        $this->told('POST', "/api/stories/{$story}/edits", $again, 200, $revision);
        $this->told('POST', "/api/stories/{$story}/edits", $again, 412, $revision);
        self::assertEquals([$stroke([[0, 0.75, 0.5], [400, 0.75, 0.5]])], $take());
        self::assertSame($slide, self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'id'));
    }

    public function testWhatATakeIsSpokenBetweenIsRead(): void
    {
        [$story, $slide] = $this->begun();
        foreach ([['voice' => 'x', 'from' => 0, 'to' => 1], ['voice' => [], 'from' => 5, 'to' => 4]] as $around) {
            $this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'voice', 'slide' => $slide, 'around' => $around], 422);
        }
    }

    public function testNothingIsFinishedWhileAPartIsMissing(): void
    {
        [, , $asset] = $this->begun();
        [$first, , $third] = self::recording();
        $this->ask('PUT', "/api/assets/{$asset}/parts/0", $first);
        $this->ask('PUT', "/api/assets/{$asset}/parts/2", $third);

        self::assertSame([1], $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 409)['missing']);
        self::assertSame('sending', $this->told('GET', "/api/assets/{$asset}")['state']);
    }

    public function testAPartIsNeverOverwritten(): void
    {
        [, , $asset] = $this->begun();
        $this->ask('PUT', "/api/assets/{$asset}/parts/0", 'what was said');
        $this->told('PUT', "/api/assets/{$asset}/parts/0", 'something else', 409);
        $part = $this->entities()->getRepository(AssetPart::class)->findOneBy(['asset' => $asset]);
        self::assertNotNull($part);
        self::assertSame('what was said', file_get_contents(self::service(Store::class)->near($part->key())));
        self::assertSame(
            204,
            $this->ask('PUT', "/api/assets/{$asset}/parts/0", 'what was said')->getStatusCode(),
            'the same again is the same',
        );
    }

    /** Parts that an earlier version acknowledged lie under their number alone. */
    public function testWithoutRoomOnTheDiskNothingIsAcknowledgedAndItMayBeSentAgain(): void
    {
        [, , $asset] = $this->begun();
        $folder = self::service(Store::class)->path(AssetPart::folderOf($asset));
        // Nothing can be written there.
        symlink('/proc', $folder);
        $problem = $this->ask('PUT', "/api/assets/{$asset}/parts/0", 'sound');
        self::assertSame(507, $problem->getStatusCode());
        self::assertStringContainsString('problem.disk-full', (string) $problem->getContent());
        self::assertSame([], $this->told('GET', "/api/assets/{$asset}")['parts']);
        unlink($folder);
        self::assertSame(204, $this->ask('PUT', "/api/assets/{$asset}/parts/0", 'sound')->getStatusCode());
    }

    public function testPartsKeptUnderTheirEarlierNameAreFound(): void
    {
        [, , $asset] = $this->begun();
        $store = self::service(Store::class);
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
            $row = $this->entities()->getRepository(AssetPart::class)->findOneBy(['asset' => $asset, 'number' => $number]);
            self::assertNotNull($row);
            rename($store->near($row->key()), $store->path($row->earlierKey()));
        }
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        self::assertSame('ready', $this->prepared($asset)['state']);
    }

    public function testWhatIsNotWhatItShouldBeIsRefusedInASentence(): void
    {
        [$story, , $asset] = $this->begun();
        $this->ask('PUT', "/api/assets/{$asset}/parts/0", 'This is a text, not a sound.');
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 1], 202);
        $ended = $this->prepared($asset);

        self::assertSame('refused', $ended['state']);
        self::assertSame(['code' => 'sound.unknown-kind'], $ended['problem']);
        self::assertSame([], self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'voice'));
        self::assertSame(204, $this->ask('DELETE', "/api/assets/{$asset}")->getStatusCode());
        $this->told('GET', "/api/assets/{$asset}", null, 404);
    }

    public function testARecordingForASlideDeletedMeanwhileIsKept(): void
    {
        [$story, $slide, $asset] = $this->begun();
        $this->edit($story, ['do' => 'delete slides', 'slides' => [$slide]]);
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        $this->prepared($asset);

        self::assertArrayHasKey($asset, (array) self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'assets'));
    }

    public function testWhatIsTooMuchIsSaidBeforeItIsSent(): void
    {
        $story = $this->as('sam')->story();
        self::assertStringContainsString('60 MB', StoryTest::text(
            $this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'picture', 'bytes' => 61_000_000], 413)['detail'],
        ));
        // What is too much to be made ready is not sent first.
        $this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'music', 'bytes' => SoundReader::MOST_BYTES], 201);
        $this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'voice', 'bytes' => SoundReader::MOST_BYTES + 1], 413);
        // And where nobody said how much it would be.
        $captions = StoryTest::text($this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'captions'], 201)['id']);
        self::assertSame(204, $this->ask('PUT', "/api/assets/{$captions}/parts/0", str_repeat('x', 1_500_000))->getStatusCode());
        $this->told('PUT', "/api/assets/{$captions}/parts/1", str_repeat('x', 1_500_000), 413);
    }

    public function testWhatNobodyGoesOnToSendGoesAfterATime(): void
    {
        [, , $asset] = $this->begun();
        $this->ask('PUT', "/api/assets/{$asset}/parts/0", 'half of it');
        self::assertSame(0, self::service(AssetSweeper::class)->sweep());
        $this->entities()->getConnection()->executeStatement(
            "UPDATE asset SET begun_at = now() - interval '31 days' WHERE id = ?",
            [$asset],
        );
        $this->entities()->clear();
        self::assertSame(1, self::service(AssetSweeper::class)->sweep());
        $this->told('GET', "/api/assets/{$asset}", null, 404);
        self::assertFalse(is_dir(self::service(Store::class)->folder() . "/takes/{$asset}"));
    }

    /** One thing at a time for each person, in the order of arrival; other people's in between. */
    public function testEachPersonsThingsAreMadeReadyOneAfterAnother(): void
    {
        $names = [];
        foreach (['sam', 'sue'] as $who) {
            $story = $this->as($who)->story();
            foreach (['one', 'two'] as $n) {
                $id = StoryTest::text(
                    $this->told('POST', "/api/stories/{$story}/assets", ['kind' => 'captions', 'file' => "{$who} {$n}"], 201)['id'],
                );
                $this->ask('PUT', "/api/assets/{$id}/parts/0", "WEBVTT\n\n00:01.000 --> 00:02.000\n{$who} {$n}\n");
                $this->told('POST', "/api/assets/{$id}/finish", ['parts' => 1], 202);
                $names[$id] = "{$who} {$n}";
            }
        }
        $done = [];
        $this->consume('assets', function () use ($names, &$done): void {
            $ready = $this->entities()->getRepository(AssetRecord::class)->findBy(['state' => AssetState::Ready], ['id' => 'ASC']);
            foreach ($ready as $asset) {
                $done[$names[(string) $asset->id]] = true;
            }
        });

        self::assertSame(['sam one', 'sam two', 'sue one', 'sue two'], array_keys($done));
    }

    /** A worker was lost in the middle: what it was at is begun again, and given up when it ends every worker. */
    public function testWhatEndsItsWorkerIsTriedAgainAndThenGivenUp(): void
    {
        [, , $asset] = $this->begun();
        $record = $this->entities()->find(AssetRecord::class, $asset);
        self::assertNotNull($record);
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/assets/{$asset}/parts/{$number}", $part);
        }
        $this->told('POST', "/api/assets/{$asset}/finish", ['parts' => 3], 202);
        $this->entities()->getConnection()->executeStatement("UPDATE asset SET state = 'preparing', tries = 1 WHERE id = ?", [$asset]);
        self::assertSame('ready', $this->prepared($asset)['state']);

        $this->entities()->getConnection()->executeStatement("UPDATE asset SET state = 'preparing', tries = 3 WHERE id = ?", [$asset]);
        $ended = $this->prepared($asset);
        self::assertSame('refused', $ended['state']);
        self::assertSame(['code' => 'file.not-prepared'], $ended['problem']);
    }
}
