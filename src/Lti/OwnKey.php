<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\DBAL\Connection;
use Firebase\JWT\JWT;
use Rhapsode\App\Account\SecondStep\Sealing;

/** The key that what we say to platforms is signed by: made when it is first asked for, kept sealed. */
final readonly class OwnKey
{
    private const BITS = 2048;
    private const ALGORITHM = 'RS256';

    public function __construct(private Connection $database, private Sealing $sealing) {}

    /** @param array<string, mixed> $claims */
    public function sign(array $claims): string
    {
        return JWT::encode($claims, $this->secret(), self::ALGORITHM, $this->public()['kid']);
    }

    /** @return array{kty: string, alg: string, use: string, kid: string, n: string, e: string} RFC 7517, its name by RFC 7638 */
    public function public(): array
    {
        $key = openssl_pkey_get_private($this->secret());
        $details = false === $key ? false : openssl_pkey_get_details($key);
        $numbers = \is_array($details) && \is_array($details['rsa'] ?? null) ? $details['rsa'] : throw new \RuntimeException('The key cannot be read.');
        \assert(\is_string($numbers['n']) && \is_string($numbers['e']));
        $told = ['e' => self::base64($numbers['e']), 'kty' => 'RSA', 'n' => self::base64($numbers['n'])];

        return ['alg' => self::ALGORITHM, 'use' => 'sig', 'kid' => self::base64(hash('sha256', (string) json_encode($told, \JSON_UNESCAPED_SLASHES), true))] + $told;
    }

    private function secret(): string
    {
        $sealed = $this->sealed() ?? $this->made();

        return $this->sealing->open($sealed) ?? throw new \RuntimeException('The key was sealed with other settings.');
    }

    private function sealed(): ?string
    {
        $sealed = $this->database->fetchOne('SELECT sealed FROM lti_key WHERE id = ?', [KeptKey::ONLY]);

        return \is_string($sealed) ? $sealed : null;
    }

    /** Of two that are made at once the first stays. */
    private function made(): string
    {
        $key = openssl_pkey_new(['private_key_bits' => self::BITS, 'private_key_type' => \OPENSSL_KEYTYPE_RSA]);
        if (false === $key || !openssl_pkey_export($key, $pem) || !\is_string($pem)) {
            throw new \RuntimeException('No key can be made.');
        }
        $this->database->executeStatement('INSERT INTO lti_key (id, sealed) VALUES (?, ?) ON CONFLICT DO NOTHING', [KeptKey::ONLY, $this->sealing->seal($pem)]);

        return $this->sealed() ?? throw new \LogicException();
    }

    private static function base64(string $bytes): string
    {
        return rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
    }
}
