<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Film\PlayProblem;
use Rhapsode\Studio\Mux\FilmReader;
use Rhapsode\Studio\Tool\ToolFailed;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;

/** Whether a film that is made plays, picture and sound to the end, is found out before it is handed in. */
final readonly class PlaysThrough
{
    public function __construct(
        private EntityManagerInterface $entities,
        private PlanMaker $plans,
        private Store $store,
        private FilmParts $parts,
        private Connection $database,
        private LoggerInterface $logger,
    ) {}

    #[AsMessageHandler]
    public function __invoke(ReadFilmBack $message): void
    {
        $this->entities->clear();
        $film = $this->entities->find(FilmRecord::class, $message->film);
        if (null === $film || FilmState::Done !== $film->state) {
            return;
        }
        $plan = $this->plans->plan($film->story());
        try {
            $problems = (new FilmReader())->read($this->store->near($film->video()))->problems($plan->frames(), $plan->seconds(), \count($plan->cues));
        } catch (ToolFailed $failed) {
            $this->logger->error('film does not play', ['film' => $message->film, 'exception' => $failed]);
            $problems = [PlayProblem::Unreadable];
        }
        if ([] !== $problems) {
            // Whichever of its parts is to blame: asked for again, all of them are made anew.
            array_map($this->store->remove(...), $this->parts->keys($plan, $film->format()));
        }
        $film->problems = $problems;
        $this->entities->flush();
    }

    /** Where it cannot be found out, nobody waits for it for ever. */
    #[AsEventListener]
    public function failed(WorkerMessageFailedEvent $event): void
    {
        $message = $event->getEnvelope()->getMessage();
        if ($message instanceof ReadFilmBack && !$event->willRetry()) {
            $this->logger->error('film was not played through', ['film' => $message->film, 'exception' => $event->getThrowable()]);
            // Not by entities: what failed may have closed their manager.
            $this->database->executeStatement('UPDATE film SET problems = ? WHERE id = ? AND problems IS NULL', [
                json_encode([PlayProblem::Unreadable->value], \JSON_THROW_ON_ERROR), $message->film,
            ]);
        }
    }
}
