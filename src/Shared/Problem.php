<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Rhapsode\Core\Message\Message;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Symfony\Component\HttpFoundation\JsonResponse;

/**
 * An error as RFC 9457 problem details: a message the reader can act on, and nothing of the server's inside. The page says its code
 * in the reader's language; the detail says it in English to whoever asks without a page.
 */
final class Problem extends JsonResponse
{
    /**
     * @param array<string, mixed>  $more
     * @param array<string, string> $headers
     */
    public function __construct(int $status, string|Message $said, array $more = [], array $headers = [])
    {
        $message = $said instanceof Message ? $said : new Message($said);
        parent::__construct([
            'type' => 'about:blank', 'title' => self::$statusTexts[$status] ?? 'Problem', 'status' => $status,
            'detail' => (new IcuCatalogue())->say($message, 'en'),
        ] + $message->toArray() + $more, $status);
        $this->headers->add($headers + ['Content-Type' => 'application/problem+json']);
    }
}
