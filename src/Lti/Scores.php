<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;
use Rhapsode\App\HandIn\FilmAnswered;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Lti\Scope;
use Rhapsode\Core\Lti\Score;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\Event\WorkerMessageFailedEvent;
use Symfony\Component\Messenger\MessageBusInterface;

/** An accepted film's score goes to the platform that its makers came from, by the queue: where the platform is away it goes later. */
final readonly class Scores
{
    private const TYPE = 'application/vnd.ims.lis.v1.score+json';
    private const OLDER = 409;
    private const NOT_ALLOWED = 401;

    public function __construct(
        private EntityManagerInterface $entities,
        private MessageBusInterface $bus,
        private Wire $wire,
        private Bearer $bearer,
        private LoggerInterface $logger,
    ) {}

    #[AsEventListener]
    public function answered(FilmAnswered $event): void
    {
        $handIn = $event->handIn;
        if (HandInState::Accepted !== $handIn->state) {
            return;
        }
        foreach ($this->entities->getRepository(TaskLink::class)->findBy(['assignment' => $handIn->assignment]) as $link) {
            $makers = null === $link->scores ? [] : $this->entities->getRepository(KnownPerson::class)->findBy([
                'platform' => $link->course->platform, 'person' => $handIn->story->makers(),
            ]);
            foreach ($makers as $one) {
                $this->bus->dispatch(new SendScore((string) $handIn->id, (string) $link->id, $one->subject));
            }
        }
    }

    #[AsMessageHandler]
    public function __invoke(SendScore $message): void
    {
        $this->entities->clear();
        $handIn = $this->entities->find(HandIn::class, $message->handIn);
        $link = $this->entities->find(TaskLink::class, $message->link);
        $score = null === $handIn ? null : Score::of(
            $handIn->state,
            $handIn->marks(),
            $message->subject,
            $handIn->answer,
            ($handIn->answeredAt ?? now())->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.v\Z'),
        );
        if (null === $score || null === $link?->scores) {
            return;
        }
        try {
            $this->send($link->course->platform, Score::address($link->scores), (string) json_encode($score, \JSON_THROW_ON_ERROR));
        } catch (WireFailed $failed) {
            // The platform knows of a newer one.
            if (self::OLDER !== $failed->getCode()) {
                throw $failed;
            }
        }
        $link->course->platform->scoreFailedAt = null;
        $this->entities->flush();
    }

    /** It is tried no more: whoever looks after the platform is told. */
    #[AsEventListener]
    public function failed(WorkerMessageFailedEvent $event): void
    {
        $message = $event->getEnvelope()->getMessage();
        if (!$message instanceof SendScore) {
            return;
        }
        $this->logger->warning('A score could not be given to its platform.', ['link' => $message->link, 'again' => $event->willRetry()]);
        $link = $event->willRetry() ? null : $this->entities->find(TaskLink::class, $message->link);
        if (null !== $link) {
            $link->course->platform->scoreFailedAt = now();
            $this->entities->flush();
        }
    }

    private function send(Platform $platform, string $address, string $score): void
    {
        $headers = ['Content-Type' => self::TYPE];
        try {
            $this->wire->post($address, $score, $headers + $this->bearer->headers($platform, Scope::Score));
        } catch (WireFailed $failed) {
            if (self::NOT_ALLOWED !== $failed->getCode()) {
                throw $failed;
            }
            // A token may end before its time.
            $this->wire->post($address, $score, $headers + $this->bearer->headers($platform, Scope::Score, true));
        }
    }
}
