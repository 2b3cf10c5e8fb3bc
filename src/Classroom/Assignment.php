<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\Core\Proof\Wanted;
use Rhapsode\Core\Story\StyleName;
use Symfony\Component\Uid\Uuid;

/** A task set for a class: a film of a length, by a day. */
#[ORM\Entity]
class Assignment
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** That stories for it begin with; null for the usual one. */
    #[ORM\Column(length: 20, nullable: true, enumType: StyleName::class)]
    public ?StyleName $style = null;

    /** That stand on a picture at most; null for as many as fit. */
    #[ORM\Column(nullable: true)]
    public ?int $mostLetters = null;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public Classroom $classroom,
        #[ORM\Column(length: 120)]
        public string $title,
        #[ORM\Column(type: 'text')]
        public string $task,
        #[ORM\Column]
        public int $leastSeconds,
        #[ORM\Column]
        public int $mostSeconds,
        #[ORM\Column(type: 'date_immutable')]
        public \DateTimeImmutable $dueOn,
    ) {
        $this->id = Uuid::v7();
    }

    public function wanted(): Wanted
    {
        return new Wanted($this->leastSeconds, $this->mostSeconds, $this->mostLetters);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id, 'title' => $this->title, 'task' => $this->task, 'classroom' => $this->classroom->name,
            'leastSeconds' => $this->leastSeconds, 'mostSeconds' => $this->mostSeconds, 'dueOn' => $this->dueOn->format('Y-m-d'),
            'style' => $this->style?->value, 'letters' => $this->mostLetters,
        ];
    }
}
