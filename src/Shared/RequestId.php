<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Monolog\Attribute\AsMonologProcessor;
use Monolog\LogRecord;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** Gives each request an id that stands in every line of its log and in its response. */
#[AsMonologProcessor]
final class RequestId
{
    private ?string $id = null;

    #[AsEventListener(priority: 1000)]
    public function onRequest(RequestEvent $event): void
    {
        if ($event->isMainRequest()) {
            $this->id = bin2hex(random_bytes(8));
        }
    }

    #[AsEventListener]
    public function onResponse(ResponseEvent $event): void
    {
        if (null !== $this->id) {
            $event->getResponse()->headers->set('X-Request-Id', $this->id);
        }
        $event->getResponse()->headers->set('X-Content-Type-Options', 'nosniff');
        if (!$event->getResponse()->headers->has('Cache-Control') || 'no-cache, private' === $event->getResponse()->headers->get('Cache-Control')) {
            $event->getResponse()->headers->set('Cache-Control', 'no-store');
        }
    }

    public function __invoke(LogRecord $record): LogRecord
    {
        return null === $this->id ? $record : $record->with(extra: $record->extra + ['request' => $this->id]);
    }
}
