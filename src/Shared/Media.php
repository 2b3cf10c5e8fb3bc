<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\EventListener\AbstractSessionListener;

/** Sends a file of the store after the application's own check: nginx does the sending (X-Accel-Redirect). */
final class Media
{
    public static function of(Store $store, string $key, string $type, ?string $download = null): Response
    {
        $store->fetch($key);
        $response = new Response('', 200, [
            'X-Accel-Redirect' => '/_store/' . $key,
            'Content-Type' => $type,
            'Content-Security-Policy' => "default-src 'none'",
            // Only the reader's own browser may keep it, and asks each time whether it may still be shown: the next pupil at the
            // same computer may not see it. nginx answers 304 by its ETag.
            'Cache-Control' => 'private, no-cache, must-revalidate',
            AbstractSessionListener::NO_AUTO_CACHE_CONTROL_HEADER => 'true',
        ]);
        if (null !== $download) {
            $response->headers->set('Content-Disposition', self::attachment($download));
        }

        return $response;
    }

    /** The header that has a file saved under that name, whatever letters it holds. */
    public static function attachment(string $name): string
    {
        $plain = trim((string) preg_replace('/[^A-Za-z0-9._ -]+/', '', (string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', $name)));

        return HeaderUtils::makeDisposition('attachment', str_replace(['/', '\\', '%'], '-', $name), '' === $plain ? 'film' : $plain);
    }
}
