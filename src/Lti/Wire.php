<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;

/**
 * Asks a platform. Its addresses are somebody's to write: nothing inside our own network is asked for, no redirect is followed, and
 * neither much nor long is waited for.
 */
final readonly class Wire
{
    private const SECONDS = 10;
    private const BYTES = 2_000_000;

    private HttpClientInterface $client;

    /** @param bool $isOwnNetworkAsked true where the platform stands in the same building */
    public function __construct(HttpClientInterface $client, #[Autowire('%env(bool:PLATFORM_IN_OWN_NETWORK)%')] bool $isOwnNetworkAsked)
    {
        $this->client = $isOwnNetworkAsked ? $client : new NoPrivateNetworkHttpClient($client);
    }

    /**
     * @param array<string, string> $headers
     *
     * @return array{array<array-key, mixed>, string|null} what it answers, and where the rest of it is
     *
     * @throws WireFailed
     */
    public function read(string $address, array $headers = []): array
    {
        [$body, $link] = $this->ask('GET', $address, ['headers' => $headers]);

        return [$body, 1 === preg_match('#<([^>]+)>\s*;\s*rel="?next"?#', $link, $found) ? $found[1] : null];
    }

    /**
     * @param array<string, string> $headers
     * @param array<string, string>|string $body
     *
     * @return array<array-key, mixed>
     *
     * @throws WireFailed
     */
    public function post(string $address, array|string $body, array $headers = []): array
    {
        return $this->ask('POST', $address, ['headers' => $headers, 'body' => $body])[0];
    }

    /**
     * @param array<string, mixed> $options
     *
     * @return array{array<array-key, mixed>, string}
     */
    private function ask(string $method, string $address, array $options): array
    {
        try {
            $answer = $this->client->request($method, $address, $options + [
                'timeout' => self::SECONDS, 'max_duration' => self::SECONDS, 'max_redirects' => 0,
                'on_progress' => static function (int $bytes): void {
                    if ($bytes > self::BYTES) {
                        throw new \RangeException('The platform answers with too much.');
                    }
                },
            ]);
            $status = $answer->getStatusCode();
            $text = $answer->getContent(false);
            $link = implode(', ', $answer->getHeaders(false)['link'] ?? []);
        } catch (ExceptionInterface|\RangeException $problem) {
            throw new WireFailed($problem->getMessage(), 0, $problem);
        }
        if ($status < 200 || $status >= 300) {
            throw new WireFailed("The platform answers {$status}.", $status);
        }
        $body = json_decode($text, true, 32);

        return [\is_array($body) ? $body : [], $link];
    }
}
