<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Rhapsode\App\Shared\Queue\TurnStamp;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Film\FilmAct;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Studio\Mux\FilmMuxer;
use Rhapsode\Studio\Render\Segment;
use Rhapsode\Studio\Render\Segments;
use Rhapsode\Studio\Tool\Scratch;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Messenger\Stamp\DelayStamp;

/**
 * Makes films from the queue, segment by segment, so that one film uses every core and a killed worker costs one
 * segment. All steps may be repeated: what is made already is not made again.
 */
final class FilmWorker
{
    /** Milliseconds. */
    private const WAIT_FOR_OTHER = 500;

    /** The last plan, since a worker often makes several segments of one film. */
    private ?string $planned = null;
    private ?Plan $plan = null;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly Connection $database,
        private readonly Films $films,
        private readonly PlanMaker $plans,
        private readonly FilmParts $parts,
        private readonly Ahead $ahead,
        private readonly Store $store,
        private readonly MessageBusInterface $bus,
        private readonly LoggerInterface $logger,
    ) {}

    #[AsMessageHandler]
    public function make(MakeFilm $message): void
    {
        $film = $this->film($message->film);
        if (null === $film) {
            return;
        }
        $plan = $this->planOf($film);
        $this->ahead->used($this->parts->keys($plan, $film->format()));
        $missing = $this->parts->missing($plan, $film->format());
        // All of its orders are given, or none: a worker that dies in between leaves nothing half done.
        $this->films->whileUnderWay($film, function (FilmRecord $film) use ($plan, $missing): void {
            foreach ($missing as $segment) {
                if (null === $this->entities->find(FilmSegment::class, ['film' => $film->id, 'name' => $segment->name])) {
                    $this->entities->persist(new FilmSegment($film, $segment->name, $segment->frames));
                }
            }
            $film->state = $film->state->after(FilmAct::Begin);
            $film->makingSince ??= now();
            $film->frames = array_sum(array_map(static fn(Segment $s): int => $s->frames, $missing));
            $film->seconds = $plan->seconds();
            $this->entities->flush();
            foreach (array_values($missing) as $turn => $segment) {
                $this->bus->dispatch(new MakeSegment((string) $film->id, $segment->name), [new TurnStamp($turn)]);
            }
        });
        $this->concatenateIfReady($message->film);
    }

    #[AsMessageHandler]
    public function segment(MakeSegment $message): void
    {
        $film = $this->film($message->film);
        if (null === $film) {
            return;
        }
        $segment = $this->segmentOf($film, $message->name);
        if (null !== $segment) {
            $this->ahead->used([FilmSegment::key($segment->name)]);
            $made = $this->parts->make(
                $this->planOf($film),
                $film->format(),
                $segment,
                fn(int $frames): bool => $this->tell($message, $frames),
            );
            if (null === $made) {
                // Two films may need the same one at the same time: the second waits for the first.
                $this->bus->dispatch($message, [new DelayStamp(self::WAIT_FOR_OTHER)]);
            }
            if (true !== $made) {
                return; // Or it was cancelled meanwhile.
            }
        }
        $this->database->executeStatement(
            'UPDATE film_segment SET done = true, frames_done = frames WHERE film_id = ? AND name = ?',
            [$message->film, $message->name],
        );
        $this->tell($message, null);
        $this->concatenateIfReady($message->film);
    }

    #[AsMessageHandler]
    public function concatenate(ConcatenateFilm $message): void
    {
        $film = $this->film($message->film);
        if (null === $film) {
            return;
        }
        $plan = $this->planOf($film);
        $format = $film->format();
        $scratch = new Scratch();
        $this->ahead->used([FilmParts::soundKey($plan, $format)]);
        $sound = $this->parts->sound($plan, $format);
        $segments = array_map(
            fn(Segment $s): array => [$this->parts->segment($plan, $format, $s), $s->frames],
            Segments::of($plan, $format),
        );
        $video = $this->store->once(
            $film->video(),
            fn(string $new) => (new FilmMuxer())->mux($plan, $format, $segments, $sound, $new, $scratch),
        );
        $this->store->write($film->captions(), WebVtt::write($plan->cues, $plan->language));
        // Stopped meanwhile, it stays stopped.
        $this->films->whileUnderWay($film, static function (FilmRecord $film) use ($video): void {
            $film->bytes = (int) filesize($video);
            $film->framesDone = $film->frames;
            $film->state = $film->state->after(FilmAct::Succeed);
        });
        $this->bus->dispatch(new ReadFilmBack($message->film));
    }

    /** When every try has failed, the film's owner is told, and may try again. */
    #[AsEventListener]
    public function failed(WorkerMessageFailedEvent $event): void
    {
        $message = $event->getEnvelope()->getMessage();
        if ($event->willRetry() || !($message instanceof MakeFilm || $message instanceof MakeSegment || $message instanceof ConcatenateFilm)) {
            return;
        }
        $this->logger->error('film failed', ['film' => $message->film, 'exception' => $event->getThrowable()]);
        // Not by entities: what failed may have closed their manager.
        $this->database->transactional(function () use ($message): void {
            $state = $this->database->fetchOne('SELECT state FROM film WHERE id = ? FOR UPDATE', [$message->film]);
            if (\is_string($state)) {
                $failed = FilmState::from($state)->after(FilmAct::Fail);
                $this->database->executeStatement(
                    'UPDATE film SET state = ? WHERE id = ? AND state <> ?',
                    [$failed->value, $message->film, $failed->value],
                );
            }
        });
    }

    /** The film, unless it is over already. */
    private function film(string $id): ?FilmRecord
    {
        $this->entities->clear();
        $film = $this->entities->find(FilmRecord::class, $id);

        return null === $film || $film->state->isOver() ? null : $film;
    }

    private function planOf(FilmRecord $film): Plan
    {
        if (null === $this->plan || $this->planned !== (string) $film->id) {
            $this->plan = $this->plans->plan($film->story());
            $this->planned = (string) $film->id;
        }

        return $this->plan;
    }

    private function segmentOf(FilmRecord $film, string $name): ?Segment
    {
        foreach (Segments::of($this->planOf($film), $film->format()) as $segment) {
            if ($segment->name === $name) {
                return $segment;
            }
        }

        return null;
    }

    /** Notes how far it is. @return bool whether to go on */
    private function tell(MakeSegment $message, ?int $frames): bool
    {
        if (null !== $frames) {
            $this->database->executeStatement(
                'UPDATE film_segment SET frames_done = ? WHERE film_id = ? AND name = ?',
                [$frames, $message->film, $message->name],
            );
        }
        $this->database->executeStatement(
            'UPDATE film SET frames_done = (SELECT COALESCE(SUM(frames_done), 0) FROM film_segment WHERE film_id = film.id) WHERE id = ?',
            [$message->film],
        );

        return FilmState::Cancelled->value !== $this->database->fetchOne('SELECT state FROM film WHERE id = ?', [$message->film]);
    }

    /** Exactly one of the workers that end the last segments sees that none is missing. */
    private function concatenateIfReady(string $film): void
    {
        $record = $this->film($film);
        if (null === $record) {
            return;
        }
        $this->films->whileUnderWay($record, function (FilmRecord $film): void {
            $next = $film->state->after(FilmAct::Concatenate);
            if ($next === $film->state || false !== $this->database->fetchOne(
                'SELECT 1 FROM film_segment WHERE film_id = ? AND NOT done LIMIT 1',
                [(string) $film->id],
            )) {
                return;
            }
            $film->state = $next;
            $this->bus->dispatch(new ConcatenateFilm((string) $film->id));
        });
    }
}
