<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\Card;

/** Who has put themselves into a class, and what they come in with from now on. */
final readonly class Joined
{
    public function __construct(public Classroom $classroom, public Card $card) {}

    /** @return array{classroom: string, word: string, card: array<string, string>} */
    public function toArray(): array
    {
        return ['classroom' => $this->classroom->name, 'word' => $this->classroom->word, 'card' => $this->card->toArray()];
    }
}
