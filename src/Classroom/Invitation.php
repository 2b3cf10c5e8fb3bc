<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** A link by which one person becomes a teacher or an administrator of a school, or comes to teach a class of it. */
#[ORM\Entity]
class Invitation
{
    /** That a link may be used after it was made. */
    private const LASTS = '+7 days';

    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $until;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $usedAt = null;

    /** What the school calls in its own files who is invited; null where it has told of none. */
    #[ORM\Column(length: 255, nullable: true)]
    public ?string $sourcedId = null;

    /** @var Collection<int, Classroom> that the school's files say they teach */
    #[ORM\ManyToMany(targetEntity: Classroom::class)]
    public Collection $classes;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public School $school,
        /** The hash of what the link says. */
        #[ORM\Column(length: 64, unique: true)]
        public string $code,
        #[ORM\Column(length: 16, enumType: Role::class)]
        public Role $role = Role::Teacher,
        #[ORM\ManyToOne]
        public ?Classroom $classroom = null,
        #[ORM\Column(length: 10, nullable: true, enumType: Part::class)]
        public ?Part $part = null,
    ) {
        $this->id = Uuid::v7();
        $this->until = now(self::LASTS);
        $this->classes = new ArrayCollection();
    }

    public function isOpen(): bool
    {
        return null === $this->usedAt && now() < $this->until;
    }

    /** @return array<string, string|null> */
    public function toArray(): array
    {
        return [
            'school' => $this->school->name,
            'role' => $this->role->value,
            'classroom' => $this->classroom?->name,
            'part' => $this->part?->value,
        ];
    }
}
