<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Firebase\JWT\JWK;
use Firebase\JWT\JWT;
use Psr\Cache\CacheItemPoolInterface;
use Rhapsode\Core\Lti\LaunchFault;

use function Symfony\Component\Clock\now;

/** The keys by which a platform signs: kept for an hour, and fetched anew when it uses one that is not known. */
final readonly class PlatformKeys
{
    private const KEPT = 3600;
    /** Seconds before they are fetched again: else anybody could have us knock at the platform as often as they like. */
    private const PATIENCE = 30;
    private const ALGORITHM = 'RS256';
    private const LEEWAY = 10;

    public function __construct(private Wire $wire, private CacheItemPoolInterface $cache) {}

    /** @return array<string, mixed>|LaunchFault the claims of a token that the platform has signed by this key */
    public function claims(Platform $platform, string $token, string $key): array|LaunchFault
    {
        try {
            $keys = $this->of($platform, $key);
        } catch (WireFailed) {
            return LaunchFault::KeyUnknown;
        }
        $named = array_values(array_filter($keys, static fn(array $one): bool => $one['kid'] === $key));
        if ([] === $named) {
            return LaunchFault::KeyUnknown;
        }
        // Its own clock is not ours: what the library asks of time is asked in core.
        JWT::$leeway = self::LEEWAY;
        JWT::$timestamp = now()->getTimestamp();
        try {
            $claims = json_decode((string) json_encode(JWT::decode($token, JWK::parseKeySet(['keys' => $named], self::ALGORITHM))), true);
        } catch (\Firebase\JWT\ExpiredException|\Firebase\JWT\BeforeValidException) {
            return LaunchFault::Time;
        } catch (\Throwable) {
            return LaunchFault::Signature;
        } finally {
            JWT::$timestamp = null;
        }

        /** @var array<string, mixed> $claims */
        return \is_array($claims) ? $claims : LaunchFault::Shape;
    }

    /** @return list<array<string, mixed>&array{kid: string}> */
    private function of(Platform $platform, string $key): array
    {
        $item = $this->cache->getItem('lti-keys-' . hash('xxh128', $platform->keys));
        /** @var array{at: int, keys: list<array<string, mixed>&array{kid: string}>}|null $kept */
        $kept = $item->get();
        $now = now()->getTimestamp();
        $isKnown = null !== $kept && \in_array($key, array_column($kept['keys'], 'kid'), true);
        if (null !== $kept && ($isKnown ? $kept['at'] > $now - self::KEPT : $kept['at'] > $now - self::PATIENCE)) {
            return $kept['keys'];
        }
        $told = $this->wire->read($platform->keys)[0]['keys'] ?? null;
        $keys = [];
        foreach (\is_array($told) ? $told : [] as $one) {
            // Public keys that sign, and no secrets: the library would take one of those ("oct") too.
            if (\is_array($one) && 'RSA' === ($one['kty'] ?? null) && 'sig' === ($one['use'] ?? 'sig') && \is_string($one['kid'] ?? null)) {
                /** @var array<string, mixed>&array{kid: string} $one */
                $keys[] = $one;
            }
        }
        $this->cache->save($item->set(['at' => $now, 'keys' => $keys]));

        return $keys;
    }
}
