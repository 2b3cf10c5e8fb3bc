<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Rhapsode\Core\Classroom\CardKind;

/** What a child is given to come in with: printed once, and known to nobody else. */
final readonly class Card
{
    public function __construct(public User $child, public string $words, public string $code, public CardKind $kind) {}

    /** @return array{student: string, name: string, words: string, code: string, kind: string} */
    public function toArray(): array
    {
        return ['student' => (string) $this->child->id, 'name' => $this->child->firstName, 'words' => $this->words, 'code' => $this->code, 'kind' => $this->kind->value];
    }
}
