<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Take\TakePart;
use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Uid\Uuid;

final class TakeTest extends AppTestCase
{
    /** @return list<string> */
    private static function recording(): array
    {
        $path = sys_get_temp_dir() . '/' . Uuid::v7() . '.webm';
        Media::sound($path, 'sine=300:r=48000', 3.0, ['-c:a', 'libopus', '-f', 'webm']);
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return str_split($bytes, max(1, (int) ceil(\strlen($bytes) / 3)));
    }

    /** @return array{string, string, string} story, slide and take */
    private function begun(): array
    {
        $story = $this->as('sam')->story();
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'id'));
        $take = StoryTest::text($this->told('POST', "/api/stories/{$story}/takes", ['slide' => $slide], 201)['id']);

        return [$story, $slide, $take];
    }

    public function testARecordingArrivesInPartsAndTheSlideSpeaksWithIt(): void
    {
        [$story, , $take] = $this->begun();
        // Out of order, and one of them twice: as a bad network brings them.
        $parts = self::recording();
        foreach ([1, 0, 1, 2] as $number) {
            self::assertSame(204, $this->ask('PUT', "/api/takes/{$take}/parts/{$number}", $parts[$number])->getStatusCode());
        }
        self::assertSame([0, 1, 2], $this->told('GET', "/api/takes/{$take}")['parts']);
        $done = $this->told('POST', "/api/takes/{$take}/finish", ['parts' => 3]);

        self::assertSame($take, self::at($done, 'story', 'story', 'slides', 0, 'voice', 0, 'asset'));
        self::assertEqualsWithDelta(3.0 * 48_000, self::at($done, 'story', 'story', 'assets', $take, 'samples'), 3000);
        self::assertNotEmpty(self::at($done, 'story', 'waveforms', $take));
        self::assertSame("/_store/takes/{$take}/take.flac", $this->ask('GET', "/api/takes/{$take}/sound.flac")->headers->get('X-Accel-Redirect'));
        // Asked again, the same answer, and nothing new.
        $revision = $this->revision($story);
        $this->told('POST', "/api/takes/{$take}/finish", ['parts' => 3]);
        self::assertSame($revision, $this->revision($story));
    }

    public function testNothingIsFinishedWhileAPartIsMissing(): void
    {
        [, , $take] = $this->begun();
        [$first, , $third] = self::recording();
        $this->ask('PUT', "/api/takes/{$take}/parts/0", $first);
        $this->ask('PUT', "/api/takes/{$take}/parts/2", $third);

        self::assertSame([1], $this->told('POST', "/api/takes/{$take}/finish", ['parts' => 3], 409)['missing']);
    }

    public function testAPartIsNeverOverwritten(): void
    {
        [, , $take] = $this->begun();
        $this->ask('PUT', "/api/takes/{$take}/parts/0", 'what was said');
        $this->told('PUT', "/api/takes/{$take}/parts/0", 'something else', 409);
        $part = $this->entities()->getRepository(TakePart::class)->findOneBy(['take' => $take]);
        self::assertNotNull($part);
        self::assertSame('what was said', file_get_contents(self::service(\Rhapsode\App\Shared\Store::class)->near($part->key())));
        self::assertSame(204, $this->ask('PUT', "/api/takes/{$take}/parts/0", 'what was said')->getStatusCode(), 'the same again is the same');
    }

    /** Parts that an earlier version acknowledged lie under their number alone. */
    public function testPartsKeptUnderTheirEarlierNameAreFound(): void
    {
        [, , $take] = $this->begun();
        $store = self::service(\Rhapsode\App\Shared\Store::class);
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/takes/{$take}/parts/{$number}", $part);
            $row = $this->entities()->getRepository(TakePart::class)->findOneBy(['take' => $take, 'number' => $number]);
            self::assertNotNull($row);
            rename($store->near($row->key()), $store->path($row->earlierKey()));
        }
        self::assertSame($take, $this->told('POST', "/api/takes/{$take}/finish", ['parts' => 3])['take']);
    }

    public function testWhatIsNoSoundGetsASentence(): void
    {
        [$story, , $take] = $this->begun();
        $this->ask('PUT', "/api/takes/{$take}/parts/0", 'This is a text, not a sound.');
        $problem = $this->told('POST', "/api/takes/{$take}/finish", ['parts' => 1], 422);

        self::assertStringContainsString('not a sound', StoryTest::text($problem['detail']));
        self::assertSame([], self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 0, 'voice'));
    }

    public function testARecordingForASlideDeletedMeanwhileIsKept(): void
    {
        [$story, $slide, $take] = $this->begun();
        $this->edit($story, ['do' => 'delete slides', 'slides' => [$slide]]);
        foreach (self::recording() as $number => $part) {
            $this->ask('PUT', "/api/takes/{$take}/parts/{$number}", $part);
        }
        $done = $this->told('POST', "/api/takes/{$take}/finish", ['parts' => 3]);

        self::assertArrayHasKey($take, (array) self::at($done, 'story', 'story', 'assets'));
    }
}
