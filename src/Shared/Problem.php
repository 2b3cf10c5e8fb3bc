<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Symfony\Component\HttpFoundation\JsonResponse;

/** An error as RFC 9457 problem details: a sentence the reader can act on, and nothing of the server's inside. */
final class Problem extends JsonResponse
{
    /**
     * @param array<string, mixed>  $more
     * @param array<string, string> $headers
     */
    public function __construct(int $status, string $detail, array $more = [], array $headers = [])
    {
        parent::__construct(['type' => 'about:blank', 'title' => self::$statusTexts[$status] ?? 'Problem', 'status' => $status, 'detail' => $detail] + $more, $status);
        $this->headers->add($headers + ['Content-Type' => 'application/problem+json']);
    }
}
