<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Symfony\Component\Uid\Uuid;

/** One of the sentences that a teacher says again and again. */
#[ORM\Entity]
#[ORM\UniqueConstraint(name: 'sentence_once', columns: ['teacher_id', 'hash'])]
class Sentence
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** Of the text, so that nobody has the same twice. */
    #[ORM\Column(length: 32)]
    public string $hash;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $teacher,
        #[ORM\Column(type: 'text')]
        public string $text,
    ) {
        $this->id = Uuid::v7();
        $this->hash = self::hash($text);
    }

    public static function hash(string $text): string
    {
        return hash('xxh128', $text);
    }

    /** @return array{id: string, text: string} */
    public function toArray(): array
    {
        return ['id' => (string) $this->id, 'text' => $this->text];
    }
}
