<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\HandIn\HandInState;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** A film handed in to an assignment. The film holds the story as it was: what is handed in is frozen. */
#[ORM\Entity]
#[ORM\UniqueConstraint(name: 'hand_in_number', columns: ['story_id', 'number'])]
#[ORM\UniqueConstraint(name: 'hand_in_film', columns: ['film_id'])]
class HandIn
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(length: 12, enumType: HandInState::class)]
    public HandInState $state = HandInState::HandedIn;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $handedInAt;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $answeredAt = null;

    /** What the teacher says with the answer. */
    #[ORM\Column(type: 'text')]
    public string $answer = '';

    /** @var Collection<int, Remark> */
    #[ORM\OneToMany(targetEntity: Remark::class, mappedBy: 'handIn'), ORM\OrderBy(['frame' => 'ASC', 'id' => 'ASC'])]
    public Collection $remarks;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public Assignment $assignment,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $student,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public StoryRecord $story,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public FilmRecord $film,
        /** The first, the second, … of this story. */
        #[ORM\Column]
        public int $number,
    ) {
        $this->id = Uuid::v7();
        $this->handedInAt = now();
        $this->remarks = new ArrayCollection();
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id,
            'number' => $this->number,
            'state' => $this->state->value,
            'handedInAt' => $this->handedInAt->format(\DATE_RFC3339),
            'answeredAt' => $this->answeredAt?->format(\DATE_RFC3339),
            'answer' => $this->answer,
            'student' => $this->student->firstName,
            'title' => $this->film->title,
            'film' => (string) $this->film->id,
            'seconds' => $this->film->seconds,
            'story' => (string) $this->story->id,
            'cover' => $this->film->cover,
            'remarks' => $this->remarks->map(static fn(Remark $r): array => $r->toArray())->getValues(),
        ];
    }
}
