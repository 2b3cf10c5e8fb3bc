<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/**
 * Without this, signing out would answer with a redirect. What the browser has cached goes; what it keeps of recordings that
 * were not sent yet stays.
 */
#[AsEventListener(dispatcher: 'security.event_dispatcher.api')]
final class SignedOut
{
    public function __invoke(LogoutEvent $event): void
    {
        $event->setResponse(new Response('', 204, ['Clear-Site-Data' => '"cache"']));
    }
}
