<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\App\Shared\Problem;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/** Refuses JSON of a size that nobody's page sends, before anything decodes it. Files come as forms or as plain bytes. */
#[AsEventListener(priority: 20)]
final class BodySize
{
    public const MOST_JSON = 5_000_000;

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if ('json' === $request->getContentTypeFormat() && max(
            (int) $request->headers->get('Content-Length'),
            \strlen($request->getContent()),
        ) > self::MOST_JSON) {
            $event->setResponse(new Problem(413, 'request.too-much'));
        }
    }
}
