<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\Core\Proof\Asked;
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

    /** Null for as few, or as many, as one likes. */
    #[ORM\Column(nullable: true)]
    public ?int $leastSlides = null;

    #[ORM\Column(nullable: true)]
    public ?int $mostSlides = null;

    /** @var list<Asked> */
    #[ORM\Column(type: 'json', enumType: Asked::class, options: ['default' => '[]'])]
    public array $asked = [];

    /** @var array<string, mixed>|null what its films are marked by (core/Rubric); null for no rubric */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $rubric = null;

    /** Whether who answers is not told whose films they are until every film is answered. */
    #[ORM\Column(options: ['default' => false])]
    public bool $hidesNames = false;

    /** How many films of others each student answers; 0 where they do not. */
    #[ORM\Column(options: ['default' => 0])]
    public int $peers = 0;

    /** Whether what students say to each other is read by who teaches them before anybody else reads it. */
    #[ORM\Column(options: ['default' => true])]
    public bool $peersHeld = true;

    /** How many make one film together at most; 1 where each makes their own. */
    #[ORM\Column(options: ['default' => 1])]
    public int $together = 1;

    /** @var list<string>|null ids of the hand-ins that the class watches, in that order; null where nobody has chosen yet */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $screening = null;

    /** Whether the class may watch every film that is accepted. */
    #[ORM\Column(options: ['default' => false])]
    public bool $classSees = false;

    /** Until when the class says thank you for what it watches (HandIn/Thanks); null where it does not. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $thanksUntil = null;

    /** Until when whoever has the link watches what is screened, without names (HandIn/Evening); null where nobody does. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $eveningUntil = null;

    /** The story that all for it begin as a copy of (Story/Beginning); null for an empty one. */
    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $beginning = null;

    /** Since when no more films are taken; null while they are. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $closedAt = null;

    /** When it was put away; null where it is set. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $putAwayAt = null;

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

    public static function told(Classroom $classroom, Task $task): self
    {
        $assignment = new self($classroom, '', '', 0, 0, $task->day());
        $assignment->tell($task);

        return $assignment;
    }

    public function tell(Task $task): void
    {
        $this->title = $task->title;
        $this->task = $task->task;
        $this->dueOn = $task->day();
        $this->leastSeconds = $task->leastSeconds;
        $this->mostSeconds = $task->mostSeconds;
        $this->leastSlides = $task->leastSlides;
        $this->mostSlides = $task->mostSlides;
        $this->asked = $task->asked();
        $this->hidesNames = $task->hidesNames;
        $this->together = $task->together;
        $this->peers = $task->peers;
        $this->peersHeld = $task->peersHeld;
        $this->classSees = $task->classSees;
    }

    /** The same for another class. */
    public function for(Classroom $other): self
    {
        $copy = new self($other, $this->title, $this->task, $this->leastSeconds, $this->mostSeconds, $this->dueOn);
        $copy->style = $this->style;
        $copy->mostLetters = $this->mostLetters;
        $copy->leastSlides = $this->leastSlides;
        $copy->mostSlides = $this->mostSlides;
        $copy->asked = $this->asked;
        $copy->rubric = $this->rubric;
        $copy->hidesNames = $this->hidesNames;
        $copy->together = $this->together;
        $copy->beginning = $this->beginning;
        $copy->peers = $this->peers;
        $copy->peersHeld = $this->peersHeld;
        $copy->classSees = $this->classSees;

        return $copy;
    }

    public function wanted(): Wanted
    {
        return new Wanted($this->leastSeconds, $this->mostSeconds, $this->mostLetters, $this->leastSlides, $this->mostSlides, $this->asked);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id, 'title' => $this->title, 'task' => $this->task,
            'classroom' => $this->classroom->name, 'classId' => (string) $this->classroom->id,
            'leastSeconds' => $this->leastSeconds, 'mostSeconds' => $this->mostSeconds, 'dueOn' => $this->dueOn->format('Y-m-d'),
            'leastSlides' => $this->leastSlides, 'mostSlides' => $this->mostSlides,
            'asked' => array_column($this->asked, 'value'),
            'rubric' => $this->rubric, 'hidesNames' => $this->hidesNames, 'together' => $this->together,
            'beginning' => null === $this->beginning ? null : (string) $this->beginning, 'peers' => $this->peers, 'peersHeld' => $this->peersHeld, 'classSees' => $this->classSees,
            'isClosed' => null !== $this->closedAt,
            'style' => $this->style?->value, 'letters' => $this->mostLetters,
        ];
    }
}
