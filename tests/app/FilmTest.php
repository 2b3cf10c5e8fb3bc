<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\Group;
use Rhapsode\App\Film\ConcatenateFilm;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\Films;
use Rhapsode\App\Film\FilmWorker;
use Rhapsode\App\Film\MakeFilm;
use Rhapsode\App\Film\MakeSegment;
use Rhapsode\App\Film\PlaysThrough;
use Rhapsode\App\Film\ReadFilmBack;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Tests\Studio\Media;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\Transport\TransportInterface;

final class FilmTest extends AppTestCase
{
    /** Does what the workers do, until the queue is empty. @return int how many messages there were */
    private function work(?\Closure $between = null): int
    {
        $queue = self::getContainer()->get('messenger.transport.films');
        \assert($queue instanceof TransportInterface);
        $worker = self::service(FilmWorker::class);
        $count = 0;
        while ([] !== $envelopes = [...$queue->get()]) {
            foreach ($envelopes as $envelope) {
                $message = $envelope->getMessage();
                match (true) {
                    $message instanceof MakeFilm => $worker->make($message),
                    $message instanceof MakeSegment => $worker->segment($message),
                    $message instanceof ConcatenateFilm => $worker->concatenate($message),
                    $message instanceof ReadFilmBack => self::service(PlaysThrough::class)($message),
                    default => self::fail('an unknown message'),
                };
                $queue->ack($envelope);
                ++$count;
                null === $between ?: $between($count);
            }
        }

        return $count;
    }

    /** @return array{string, string} a story with one short picture, and its film, asked for */
    private function ordered(): array
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, $path = self::newPicture(), slide: 'pic');
        unlink($path);
        $slides = (array) self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides');
        $this->edit($story, ['do' => 'set stay', 'slides' => array_column($slides, 'id'), 'stay' => 1.0]);
        $film = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);

        return [$story, $film];
    }

    /** @return array{string, string} the same, made */
    private function made(): array
    {
        [$story, $film] = $this->ordered();
        $this->work();

        return [$story, $film];
    }

    /** @return array{string, string} the same, called made: for what does not ask what is in it */
    private function calledMade(): array
    {
        [$story, $film] = $this->ordered();
        $this->entities()->getConnection()->executeStatement("UPDATE film SET state = 'done', problems = '[]' WHERE id = ?", [$film]);

        return [$story, $film];
    }

    public function testAFilmIsMadeByAWorkerAndItsFramesAreThePlans(): void
    {
        [$story, $film] = $this->made();
        $state = $this->told('GET', "/api/films/{$film}");

        self::assertSame('done', $state['state']);
        self::assertSame($state['frames'], $state['framesDone']);
        self::assertSame([], $state['problems'], 'it plays to its end');
        $path = self::service(Store::class)->path("films/{$film}/film.mp4");
        self::assertSame(
            StoryTest::text((string) json_encode(self::at($this->told('GET', "/api/stories/{$story}"), 'plan', 'frames'))),
            Media::probe($path)['streams.stream.0.nb_read_frames'],
        );
        $response = $this->ask('GET', "/api/films/{$film}/film.mp4?download");
        self::assertSame('attachment; filename="The mill.mp4"', $response->headers->get('Content-Disposition'));
        self::assertSame(
            "/_store/films/{$film}/captions.vtt",
            $this->ask('GET', "/api/films/{$film}/captions.vtt")->headers->get('X-Accel-Redirect'),
        );
        // The same story asked for again is the same film, and it stays of the story as it was.
        self::assertSame($film, $this->told('POST', "/api/stories/{$story}/films")['id']);
        $this->edit($story, ['do' => 'rename', 'title' => 'Changed since']);
        self::assertSame('The mill', $this->entities()->find(FilmRecord::class, $film)?->story()->title);
    }

    /** What was not played through yet, or does not play, is not handed in. */
    public function testOnlyWhatPlaysIsHandedIn(): void
    {
        [$story, $film] = $this->made();
        $handIns = "/api/assignments/{$this->assignment->id}/handins";
        $path = self::service(Store::class)->path("films/{$film}/film.mp4");
        file_put_contents($path, substr((string) file_get_contents($path), 0, intdiv((int) filesize($path), 2)));
        self::service(PlaysThrough::class)(new ReadFilmBack($film));
        self::assertSame(['unreadable'], $this->told('GET', "/api/films/{$film}")['problems']);
        self::assertSame('hand-in.film-does-not-play', $this->told('POST', $handIns, ['film' => $film], 409)['code']);

        // Asked for again it is made again, of parts that are made anew.
        $again = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
        self::assertNotSame($film, $again);
        self::assertSame(['failed', 'waiting'], [$this->told('GET', "/api/films/{$film}")['state'], $this->told('GET', "/api/films/{$again}")['state']]);
        $this->work();
        $made = $this->told('GET', "/api/films/{$again}");
        self::assertSame(['done', []], [$made['state'], $made['problems']]);
        self::assertGreaterThan(0, $made['frames'], 'nothing of the spoilt one was taken');
        $film = $again;

        $found = fn(?string $problems): int|string => $this->entities()->getConnection()->executeStatement('UPDATE film SET problems = ? WHERE id = ?', [$problems, $film]);
        $found(null);
        self::assertNull($this->told('GET', "/api/films/{$film}")['problems']);
        self::assertSame('hand-in.film-not-played', $this->told('POST', $handIns, ['film' => $film], 409)['code']);
        $found('[]');
        $this->told('POST', $handIns, ['film' => $film], 201);
    }

    public function testACancelledFilmIsNotMade(): void
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, $path = self::newPicture());
        unlink($path);
        $film = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
        self::assertSame('cancelled', $this->told('POST', "/api/films/{$film}/cancel")['state']);
        $this->work();

        self::assertSame('cancelled', $this->told('GET', "/api/films/{$film}")['state']);
        $this->told('GET', "/api/films/{$film}/film.mp4", null, 404);
        // It may be asked for again.
        self::assertNotSame($film, $this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
    }

    /** It was stopped while its last piece was joined: it stays stopped, and a film that is made is not stopped any more. */
    #[Group('deep')]
    public function testStoppingAndEndingAtOnceEndInOneTruth(): void
    {
        [$story, $film] = $this->ordered();
        $worker = self::service(FilmWorker::class);
        // The join has read the film as one to be made when the person stops it.
        $record = $this->entities()->find(FilmRecord::class, $film);
        self::assertNotNull($record);
        $this->entities()->getConnection()->executeStatement("UPDATE film SET state = 'cancelled' WHERE id = ?", [$film]);
        self::assertFalse(self::service(Films::class)->whileUnderWay($record, static function (FilmRecord $film): void {
            $film->state = FilmState::Done;
        }));
        $worker->make(new MakeFilm($film));
        self::assertSame('cancelled', $this->told('GET', "/api/films/{$film}")['state']);

        $second = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
        $this->work();
        $this->told('POST', "/api/films/{$second}/cancel", null, 409);
        self::assertSame('done', $this->told('GET', "/api/films/{$second}")['state']);
    }

    public function testAHandInShowsItsOwnCover(): void
    {
        [$story, $film] = $this->calledMade();
        $cover = StoryTest::text(self::at($this->told('GET', '/api/desk'), 'stories', 0, 'cover'));
        $handIn = StoryTest::text($this->told('POST', "/api/assignments/{$this->assignment->id}/handins", ['film' => $film], 201)['id']);
        $this->edit($story, ['do' => 'delete slides', 'slides' => ['pic']]);
        $this->bringIn($story, $path = self::newPicture());
        unlink($path);

        self::assertNotSame($cover, self::at($this->told('GET', '/api/desk'), 'stories', 0, 'cover'));
        self::assertSame($cover, $this->told('GET', "/api/handins/{$handIn}")['cover']);
        self::assertSame(
            "/_store/pictures/{$cover}/thumb.jpg",
            $this->ask('GET', "/api/handins/{$handIn}/cover.jpg")->headers->get('X-Accel-Redirect'),
        );
    }

    public function testThereIsNoFilmWithoutPictures(): void
    {
        $this->told('POST', '/api/stories/' . $this->as('sam')->story() . '/films', null, 409);
    }

    public function testHandedInReturnedMendedAndAccepted(): void
    {
        [$story, $film] = $this->made();
        $assignment = (string) $this->assignment->id;
        $first = StoryTest::text($this->told('POST', "/api/assignments/{$assignment}/handins", ['film' => $film], 201)['id']);
        $this->told('POST', "/api/assignments/{$assignment}/handins", ['film' => $film], 409);

        $list = $this->as('tara')->told('GET', "/api/assignments/{$assignment}");
        self::assertSame(['handed in'], array_column((array) $list['handIns'], 'state'));
        self::assertSame(200, $this->ask('GET', "/api/films/{$film}/film.mp4")->getStatusCode(), 'the teacher may watch it now');
        $this->told('POST', "/api/handins/{$first}/answer", ['state' => 'returned'], 422);
        $read = $this->told('POST', "/api/handins/{$first}/remarks", ['seconds' => 1.5, 'text' => 'Whose picture is this?'], 201);
        self::assertSame(['pic', 1.5], [self::at($read, 'remarks', 0, 'slide'), self::at($read, 'remarks', 0, 'seconds')]);
        $this->told('POST', "/api/handins/{$first}/answer", ['state' => 'returned', 'answer' => 'Name your source.']);
        $this->told('POST', "/api/handins/{$first}/remarks", ['seconds' => 1, 'text' => 'too late'], 409);

        $view = $this->as('sam')->told('GET', "/api/stories/{$story}");
        self::assertSame('Whose picture is this?', self::at($view, 'handIns', 0, 'remarks', 0, 'text'));
        $this->told('POST', "/api/handins/{$first}/answer", ['state' => 'accepted'], 404);
        $this->edit($story, ['do' => 'rename', 'title' => 'Mended']);
        $second = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
        $this->work();
        $again = $this->told('POST', "/api/assignments/{$assignment}/handins", ['film' => $second], 201);
        self::assertSame(2, $again['number']);

        $this->as('tara')->told('POST', '/api/handins/' . StoryTest::text($again['id']) . '/answer', ['state' => 'accepted']);
        $earlier = $this->as('sam')->told('GET', "/api/handins/{$first}");
        self::assertSame(['The mill', 'returned'], [$earlier['title'], $earlier['state']], 'earlier hand-ins stay as they were');
        self::assertSame(['returned', 'accepted'], array_column((array) $earlier['all'], 'state'));
        self::assertSame('accepted', self::at($this->told('GET', '/api/desk'), 'stories', 0, 'handIn', 'state'));
    }

    public function testAFilmThatCannotBeMadeSaysSoAndMayBeTriedAgain(): void
    {
        $story = $this->as('sam')->story();
        $picture = StoryTest::text($this->bringIn($story, $path = self::newPicture())['id']);
        unlink($path);
        $film = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
        // The disk has lost the picture.
        unlink(self::service(Store::class)->path("pictures/{$picture}/full.jpg"));
        try {
            $this->work();
            self::fail('it cannot be made');
        } catch (\RuntimeException $problem) {
            $event = new \Symfony\Component\Messenger\Event\WorkerMessageFailedEvent(
                new \Symfony\Component\Messenger\Envelope(new MakeFilm($film)),
                'films',
                $problem,
            );
            self::service(FilmWorker::class)->failed($event);
        }
        $this->entities()->clear();
        $state = $this->told('GET', "/api/films/{$film}");

        self::assertSame('failed', $state['state']);
        self::assertNotSame($film, $this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
    }

    /** Segments of films take turns: a short film asked for after a long one is not behind all of it. */
    public function testFilmsTakeTurns(): void
    {
        $queue = self::getContainer()->get('messenger.transport.films');
        \assert($queue instanceof TransportInterface);
        foreach ([['long', 0], ['long', 1], ['long', 2], ['short', 0]] as [$film, $turn]) {
            $queue->send(new \Symfony\Component\Messenger\Envelope(
                new MakeSegment($film, "{$turn}"),
                [new \Rhapsode\App\Shared\Queue\TurnStamp($turn)],
            ));
        }
        $order = [];
        while ([] !== $envelopes = [...$queue->get()]) {
            $message = $envelopes[0]->getMessage();
            \assert($message instanceof MakeSegment);
            $order[] = $message->film . $message->name;
            $queue->ack($envelopes[0]);
        }

        self::assertSame(['long0', 'short0', 'long1', 'long2'], $order);
    }

    /** A worker was killed: its message comes back after a while, and what was made is not made again. */
    #[Group('deep')]
    public function testAKilledWorkersSegmentIsTakenUpByAnother(): void
    {
        [, $film] = $this->ordered();
        $queue = self::getContainer()->get('messenger.transport.films');
        \assert($queue instanceof TransportInterface);
        $worker = self::service(FilmWorker::class);
        [$make] = [...$queue->get()];
        $message = $make->getMessage();
        \assert($message instanceof MakeFilm);
        $worker->make($message);
        $queue->ack($make);
        // Taken, and never acknowledged.
        self::assertCount(1, [...$queue->get()]);
        $this->work();
        self::assertSame('making', $this->told('GET', "/api/films/{$film}")['state']);

        $this->entities()->getConnection()->executeStatement(
            'UPDATE queue_message SET delivered_at = delivered_at - 61000 WHERE delivered_at IS NOT NULL',
        );
        $this->work();
        self::assertSame('done', $this->told('GET', "/api/films/{$film}")['state']);
    }

    /** Where it cannot even be tried, it is not waited for for ever. */
    public function testWhatCannotBePlayedThroughIsTold(): void
    {
        [, $film] = $this->calledMade();
        $set = fn(string $problems): int|string => $this->entities()->getConnection()->executeStatement("UPDATE film SET problems = {$problems}");
        $fails = static fn(bool $again): WorkerMessageFailedEvent => (static function (WorkerMessageFailedEvent $event) use ($again): WorkerMessageFailedEvent {
            $again && $event->setForRetry();

            return $event;
        })(new WorkerMessageFailedEvent(new Envelope(new ReadFilmBack($film)), 'films', new \RuntimeException('The store is away.')));
        $set('NULL');
        self::service(PlaysThrough::class)->failed($fails(true));
        self::assertNull($this->told('GET', "/api/films/{$film}")['problems'], 'it is tried again');
        self::service(PlaysThrough::class)->failed($fails(false));
        self::assertSame(['unreadable'], $this->told('GET', "/api/films/{$film}")['problems']);
        // What was found out meanwhile stands.
        $set("'[]'");
        self::service(PlaysThrough::class)->failed($fails(false));
        self::assertSame([], $this->told('GET', "/api/films/{$film}")['problems']);
    }
}
