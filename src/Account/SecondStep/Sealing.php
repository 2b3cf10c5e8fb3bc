<?php

declare(strict_types=1);

namespace Rhapsode\App\Account\SecondStep;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Whoever finds the database alone finds no secret in it: each is sealed with what only the application's own settings tell. */
final readonly class Sealing
{
    private string $key;

    public function __construct(#[\SensitiveParameter, Autowire('%kernel.secret%')] string $secret)
    {
        $this->key = hash('sha256', "second step {$secret}", true);
    }

    public function seal(#[\SensitiveParameter] string $secret): string
    {
        $nonce = random_bytes(\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return base64_encode($nonce . sodium_crypto_secretbox($secret, $nonce, $this->key));
    }

    /** @return string|null what was sealed; null where it was sealed by another application */
    public function open(string $sealed): ?string
    {
        $bytes = (string) base64_decode($sealed, true);
        $nonce = substr($bytes, 0, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);
        if (\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES !== \strlen($nonce)) {
            return null;
        }
        $opened = sodium_crypto_secretbox_open(substr($bytes, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES), $nonce, $this->key);

        return false === $opened ? null : $opened;
    }
}
