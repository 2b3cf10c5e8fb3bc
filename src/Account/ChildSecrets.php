<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Random\Randomizer;
use Rhapsode\Core\Classroom\CardKind;
use Rhapsode\Core\Classroom\Secret;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;

/** What a child comes in with: three easy words or pictures, or a card. Neither is kept, so each is told once, when it is made. */
final readonly class ChildSecrets
{
    /** Forty are hashed while a teacher waits: a quick hasher, for a door that slows guessing down. */
    public const HASHER = 'child';

    public function __construct(private PasswordHasherFactoryInterface $hashers) {}

    /** Made anew: what was told before no longer opens, and who is in with it is signed out. */
    public function make(User $child, CardKind $kind): Card
    {
        $words = Secret::ofOne(new Randomizer(), $kind);
        $code = Code::make();
        $child->words = $this->hashers->getPasswordHasher(self::HASHER)->hash($words);
        $child->card = Code::hash($code);

        return new Card($child, $words, $code, $kind);
    }

    public function are(User $child, string $words): bool
    {
        return '' !== $child->words && $this->hashers->getPasswordHasher(self::HASHER)->verify($child->words, $words);
    }
}
