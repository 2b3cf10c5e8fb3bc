<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Psr\Cache\CacheItemPoolInterface;
use Rhapsode\App\Account\Code;
use Rhapsode\Core\Lti\Scope;

use function Symfony\Component\Clock\now;

/** A platform's leave to tell it something or ask it: OAuth 2.0 client credentials by a signed assertion (RFC 7523; Security Framework 1.0 §4.1). */
final readonly class Bearer
{
    private const ASSERTION = 'urn:ietf:params:oauth:client-assertion-type:jwt-bearer';
    private const LASTS = 60;
    /** Seconds before its end from which a token is used no more. */
    private const MARGIN = 30;
    private const LONGEST = 3600;

    public function __construct(private Wire $wire, private OwnKey $key, private CacheItemPoolInterface $cache) {}

    /**
     * @param bool $anew where the one that is kept is taken no more
     *
     * @return array<string, string>
     *
     * @throws WireFailed
     */
    public function headers(Platform $platform, Scope $scope, bool $anew = false): array
    {
        $item = $this->cache->getItem('lti-bearer-' . hash('xxh128', "{$platform->id} {$platform->tokens} {$scope->value}"));
        $token = $item->get();
        if (!\is_string($token) || $anew) {
            [$token, $lasts] = $this->asked($platform, $scope);
            $this->cache->save($item->set($token)->expiresAfter(max(1, min($lasts, self::LONGEST) - self::MARGIN)));
        }

        return ['Authorization' => "Bearer {$token}"];
    }

    /** @return array{string, int} a token, and for how many seconds it is good */
    private function asked(Platform $platform, Scope $scope): array
    {
        $now = now()->getTimestamp();
        $answer = $this->wire->post($platform->tokens, [
            'grant_type' => 'client_credentials',
            'client_assertion_type' => self::ASSERTION,
            'client_assertion' => $this->key->sign([
                'iss' => $platform->client, 'sub' => $platform->client, 'aud' => $platform->tokens,
                'iat' => $now, 'exp' => $now + self::LASTS, 'jti' => Code::make(),
            ]),
            'scope' => $scope->value,
        ]);
        $token = $answer['access_token'] ?? null;
        if (!\is_string($token) || 1 !== preg_match('#^[\x21-\x7e]{1,4000}$#D', $token)) {
            throw new WireFailed('The platform gives no token.');
        }
        $lasts = $answer['expires_in'] ?? 0;

        return [$token, is_numeric($lasts) ? (int) $lasts : 0];
    }
}
