<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Refuses what another site's page sends in a signed-in person's name. A request that changes something must come from a
 * page of ours (Sec-Fetch-Site or Origin say so, and only a browser sets them), or carry a header that no other site's page may
 * send. Runs after the router and before the firewall, so that signing in is guarded too.
 */
#[AsEventListener(priority: 16)]
final class SameOrigin
{
    public const HEADER = 'X-Rhapsode';
    /** Of a route that is meant for other sites' pages: what they send proves itself in another way. */
    public const FROM_ELSEWHERE = '_from_elsewhere';

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if ($request->isMethodSafe() || !$event->isMainRequest() || true === $request->attributes->get(self::FROM_ELSEWHERE)) {
            return;
        }
        $origin = $request->headers->get('Origin');
        $site = $request->headers->get('Sec-Fetch-Site');
        $ours = match (true) {
            null !== $origin => $origin === $request->getSchemeAndHttpHost(),
            null !== $site => 'same-origin' === $site,
            default => $request->headers->has(self::HEADER),
        };
        if (!$ours) {
            $event->setResponse(new Problem(403, 'problem.another-site'));
        }
    }
}
