<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Rhapsode\App\Account\User;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;

/** Asked after the password was right: a wrong password tells nobody whether there is a second step. */
#[AsEventListener(dispatcher: 'security.event_dispatcher.api', priority: -10)]
final readonly class SecondStepAsked
{
    public function __construct(private SecondStep $step, private RequestStack $requests) {}

    public function __invoke(CheckPassportEvent $event): void
    {
        $user = $event->getPassport()->getUser();
        if (!$user instanceof User || null === $user->secondStep || !$event->getPassport()->hasBadge(PasswordCredentials::class)) {
            return;
        }
        $payload = $this->requests->getCurrentRequest()?->getPayload();
        $code = $payload?->all()['code'] ?? '';
        if (!\is_string($code) || '' === trim($code)) {
            throw new SecondStepMissing();
        }
        if (!$this->step->take($user, substr($code, 0, 200))) {
            throw new SecondStepWrong();
        }
    }
}
