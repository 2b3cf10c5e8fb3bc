<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Segment;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerRunningEvent;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/**
 * While a worker of films has nothing else to do, it makes the parts of a story that has rested for a while, so that the film
 * asked for later takes what the last edit touched. One part at a time, and it stops as soon as somebody waits for a film.
 */
final class AheadWorker
{
    public const QUEUE = 'films';
    /** Seconds after which it looks whether the worker is to end. */
    private const AT_A_TIME = 2;

    /** What is made at present. */
    private string $of = '';
    private ?Plan $plan = null;
    /** @var list<Segment> what was missing when it was begun */
    private array $missing = [];

    /** @param int $rest seconds without an edit after which a story is made ahead; 0 for never */
    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly PlanMaker $plans,
        private readonly FilmParts $parts,
        private readonly Ahead $ahead,
        private readonly LoggerInterface $logger,
        #[Autowire('%env(int:AHEAD_AFTER)%')]
        private readonly int $rest,
    ) {}

    #[AsEventListener]
    public function begin(WorkerStartedEvent $event): void
    {
        $this->ahead->sweep();
    }

    #[AsEventListener]
    public function idle(WorkerRunningEvent $event): void
    {
        if ($event->isWorkerIdle() && $this->rest > 0 && \in_array(
            self::QUEUE,
            $event->getWorker()->getMetadata()->getTransportNames(),
            true,
        )) {
            $until = microtime(true) + self::AT_A_TIME;
            while ($this->step($this->rest) && microtime(true) < $until && !$this->ahead->isWaitedFor());
        }
    }

    /** @return bool whether something was made, so that there may be more */
    public function step(int $rest): bool
    {
        $story = $this->ahead->next($rest);
        if (null === $story) {
            return false;
        }
        if ($this->ahead->isSpaceShort()) {
            return $this->ahead->sweep() > 0;
        }
        try {
            return $this->one($story);
        } catch (\Throwable $problem) {
            // Whoever asks for the film is told. Here it is not tried again before the next edit.
            $this->logger->warning('a part could not be made ahead', ['story' => (string) $story->id, 'exception' => $problem]);
            $this->ahead->done($story);

            return true;
        }
    }

    private function one(StoryRecord $story): bool
    {
        $format = $this->formatOf($story);
        if ($this->of !== "{$story->id} {$story->revision} {$format->fingerprint()}" || null === $this->plan) {
            $this->plan = $this->plans->plan($story->story());
            $this->missing = array_values($this->parts->missing($this->plan, $format));
            $this->of = "{$story->id} {$story->revision} {$format->fingerprint()}";
        }
        if (!$this->ahead->mayMakeMore($story->owner->id)) {
            $this->ahead->done($story);

            return true;
        }
        while (null !== $segment = array_shift($this->missing)) {
            $made = $this->segment($story, $this->plan, $format, $segment);
            if (null !== $made) {
                return $made;
            }
        }
        $this->missing = array_values($this->parts->missing($this->plan, $format));
        if ([] !== $this->missing) {
            return false; // Others are at it.
        }
        $this->ahead->note(FilmParts::soundKey($this->plan, $format), $story->owner->id);
        $this->parts->sound($this->plan, $format);
        $this->ahead->done($story);

        return true;
    }

    /** @return bool|null whether it was made; false when somebody waits for a film, null when it is there or another worker makes it */
    private function segment(StoryRecord $story, Plan $plan, FilmFormat $format, Segment $segment): ?bool
    {
        if ($this->parts->has($segment)) {
            return null;
        }
        $key = FilmSegment::key($segment->name);
        $this->ahead->note($key, $story->owner->id);
        $made = $this->parts->make($plan, $format, $segment, fn(): bool => !$this->ahead->isWaitedFor());
        if (null === $made) {
            $this->ahead->used([$key]);
        } elseif (!$made) {
            array_unshift($this->missing, $segment);
        }

        return $made;
    }

    /** As the story's last film was asked for. */
    private function formatOf(StoryRecord $story): FilmFormat
    {
        $last = $this->entities->getRepository(FilmRecord::class)->findOneBy(['story' => $story], ['id' => 'DESC']);

        $shape = $story->story()->shape;

        return null === $last ? FilmFormat::of($shape) : FilmFormat::of($shape, $last->size, $last->container);
    }
}
