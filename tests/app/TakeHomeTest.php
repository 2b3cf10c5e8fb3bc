<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\TakeHome\OldArchives;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;
use Symfony\Component\Messenger\Worker;

/** What somebody has made goes home with them. */
final class TakeHomeTest extends AppTestCase
{
    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    /** @return array<string, string> by their names in it the files of an archive */
    private function packed(string $path): array
    {
        $response = $this->ask('GET', $path);
        self::assertSame(200, $response->getStatusCode(), (string) $response->getContent());
        $key = substr((string) $response->headers->get('X-Accel-Redirect'), \strlen('/_store/'));
        $zip = new \ZipArchive();
        self::assertTrue($zip->open(self::service(Store::class)->path($key), \ZipArchive::CHECKCONS));
        $files = [];
        for ($n = 0; $n < $zip->numFiles; ++$n) {
            $files[(string) $zip->getNameIndex($n)] = (string) $zip->getFromIndex($n);
        }

        return $files;
    }

    private function filmOf(StoryRecord $record, string $bytes): FilmRecord
    {
        $film = new FilmRecord($record);
        $film->state = FilmState::Done;
        $film->problems = [];
        $this->entities()->persist($film);
        $this->entities()->flush();
        self::service(Store::class)->write($film->video(), $bytes);
        self::service(Store::class)->write($film->captions(), "WEBVTT\n");

        return $film;
    }

    /** What is packed is read by the command line, and plans the very same film. */
    public function testAStoryIsMadeAgainFromWhatWasTakenHome(): void
    {
        $scratch = new Scratch();
        $id = $this->as('sam')->story();
        $this->bringIn($id, $path = self::newPicture(), 'Über: die "Mühle" 1.jpg', slide: 'pic');
        unlink($path);
        Media::speech($scratch->path('said.wav'), 'The wheel turns when the tide goes out.');
        $this->bringIn($id, $scratch->path('said.wav'), 'said.wav', 'voice', 'pic');
        $this->edit($id, ['do' => 'set script', 'slide' => 'pic', 'script' => 'The wheel turns when the tide goes out.']);
        $plan = Fields::of($this->told('GET', "/api/stories/{$id}"))->object('plan');
        $files = $this->packed("/api/stories/{$id}/story.zip");
        self::assertSame(
            ['story/01 Über- die -Mühle- 1.jpg', 'story/02 said.flac', 'story/story.json', 'captions.vtt', 'captions.srt', 'transcript.txt'],
            array_keys($files),
        );
        self::assertStringContainsString('The wheel turns', $files['captions.vtt']);

        mkdir($scratch->path('home'));
        foreach ($files as $name => $bytes) {
            if (str_starts_with($name, 'story/')) {
                file_put_contents($scratch->path('home') . '/' . basename($name), $bytes);
            }
        }
        [$json] = Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'plan', $scratch->path('home')],
            120,
            20_000,
        );
        $again = Fields::of(json_decode($json, true, 32, \JSON_THROW_ON_ERROR));
        foreach (['frames', 'plays', 'cues', 'language', 'credits'] as $part) {
            self::assertEquals($plan->raw($part), $again->raw($part), $part);
        }
    }

    public function testItsFilmIsInItAndWhatChangesIsPackedAnew(): void
    {
        $record = new StoryRecord($this->people['sam'], new Story('Mine', [new Slide('t')]), $this->assignment);
        $this->entities()->persist($record);
        $this->entities()->flush();
        $path = "/api/stories/{$record->id}/story.zip";
        self::assertArrayNotHasKey('film.mp4', $this->as('sam')->packed($path));
        $film = $this->filmOf($this->entities()->find(StoryRecord::class, $record->id) ?? self::fail(), 'a film');
        self::assertSame('a film', $this->packed($path)['film.mp4']);
        self::assertSame('attachment; filename=Mine.zip', $this->client->getResponse()->headers->get('Content-Disposition'));
        $this->edit((string) $record->id, ['do' => 'rename', 'title' => 'Mine now']);
        self::assertSame('Mine now', Fields::of(json_decode($this->packed($path)['story/story.json'], true))->text('title'));

        // Long afterwards what was packed is not there any more, and is packed again.
        $key = fn(): string => (string) $this->ask('GET', $path)->headers->get('X-Accel-Redirect');
        $store = self::service(Store::class);
        $packed = $store->path(substr($key(), \strlen('/_store/')));
        $sweep = fn() => self::service(OldArchives::class)(new WorkerStartedEvent($this->createMock(Worker::class)));
        $sweep();
        self::assertFileExists($packed);
        Clock::set(new MockClock('+3 days'));
        $sweep();
        self::assertFileDoesNotExist($packed);
        self::assertFileExists($store->path($film->video()), 'nothing else goes');
        self::assertSame('a film', $this->packed($path)['film.mp4']);
    }

    public function testATeacherTakesTheFilmsAlong(): void
    {
        $path = "/api/assignments/{$this->assignment->id}/films.zip";
        self::assertSame('take-home.no-films', $this->as('tara')->told('GET', $path, null, 409)['code']);
        foreach (['sam', 'sue'] as $n => $who) {
            $record = new StoryRecord($this->people[$who], new Story('The mill', [new Slide('t')]), $this->assignment);
            if ('sue' === $who) {
                $record->join($this->people['sam']);
            }
            $this->entities()->persist($record);
            $film = $this->filmOf($record, "by {$who}");
            $this->entities()->persist(new HandIn($this->assignment, $this->people[$who], $record, $film, 1));
        }
        $this->entities()->flush();
        $files = $this->as('hugo')->packed($path);
        self::assertEqualsCanonicalizing(['Sam – The mill.mp4', 'Sam – The mill.vtt', 'Sue, Sam – The mill.mp4', 'Sue, Sam – The mill.vtt'], array_keys($files));
        self::assertSame('by sue', $files['Sue, Sam – The mill.mp4']);
        $this->entities()->getConnection()->executeStatement('UPDATE assignment SET hides_names = true');
        self::assertSame('hand-in.names-hidden', $this->told('GET', $path, null, 409)['code']);
    }
}
