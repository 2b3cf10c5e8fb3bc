<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\CardKind;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

#[ORM\Entity]
#[ORM\UniqueConstraint(name: 'class_of_school', columns: ['school_id', 'sourced_id'])]
class Classroom
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** @var Collection<int, Teaching> */
    #[ORM\OneToMany(targetEntity: Teaching::class, mappedBy: 'classroom', cascade: ['persist'])]
    public Collection $teachings;

    /** What its school calls it in its own files; null where it has told of none. */
    #[ORM\Column(length: 255, nullable: true)]
    public ?string $sourcedId = null;

    /** What stands on the cards that are made for its students. */
    #[ORM\Column(length: 12, enumType: CardKind::class, options: ['default' => 'words'])]
    public CardKind $cards = CardKind::Words;

    /** When its year was over; null while it goes on. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $archivedAt = null;

    /** By which whoever sees it joins the class (core/Classroom/JoinCode); null where nobody can. */
    #[ORM\Column(length: 12, unique: true, nullable: true)]
    public ?string $joinCode = null;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $joinUntil = null;

    public function __construct(
        #[ORM\Column(length: 120)]
        public string $name,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public School $school,
        /** What its students call it where they come in (core/Classroom/Secret). */
        #[ORM\Column(length: 60, unique: true)]
        public string $word,
        ?User $teacher = null,
    ) {
        $this->id = Uuid::v7();
        $this->teachings = new ArrayCollection(null === $teacher ? [] : [new Teaching($teacher, $this)]);
    }

    /** @return string|null the day on which all that was made in it goes; null where its year goes on, and where it is kept */
    public function goesOn(): ?string
    {
        return null === $this->archivedAt ? null : $this->school->goesOn($this->archivedAt);
    }

    public function canBeJoined(): bool
    {
        return null !== $this->joinCode && null === $this->archivedAt && now() < $this->joinUntil;
    }

    /** What somebody does in it; null for who does not teach it. */
    public function part(User $user): ?Part
    {
        return $this->teachings->findFirst(static fn(int $_, Teaching $t): bool => $t->teacher->is($user))?->part;
    }
}
