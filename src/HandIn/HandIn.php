<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Part;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Thanks\Thanks;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\HandIn\HandingIn;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\HandIn\Watching;
use Rhapsode\Core\Rubric\Marks;
use Rhapsode\Core\Rubric\Rubric;

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

    /** @var array<string, int> by criteria of the rubric the levels that it has */
    #[ORM\Column(type: 'json', options: ['default' => '{}'])]
    public array $levels = [];

    /** @var array<string, mixed>|null what it was marked by when it was answered; null before, and where there was none */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $rubric = null;

    /** @var Collection<int, Remark> */
    #[ORM\OneToMany(targetEntity: Remark::class, mappedBy: 'handIn'), ORM\OrderBy(['frame' => 'ASC', 'id' => 'ASC'])]
    public Collection $remarks;

    /** @var Collection<int, Guest> */
    #[ORM\OneToMany(targetEntity: Guest::class, mappedBy: 'handIn')]
    public Collection $guests;

    /** @var Collection<int, PeerAnswer> of students who watch it by lot */
    #[ORM\OneToMany(targetEntity: PeerAnswer::class, mappedBy: 'handIn')]
    public Collection $peers;

    /** @var Collection<int, Thanks> */
    #[ORM\OneToMany(targetEntity: Thanks::class, mappedBy: 'handIn')]
    public Collection $thanks;

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
        $this->guests = new ArrayCollection();
        $this->peers = new ArrayCollection();
        $this->thanks = new ArrayCollection();
    }

    /** What it is to somebody who teaches its class: null for everybody else, and where it was taken back. */
    public function part(User $user): ?Part
    {
        return HandInState::Withdrawn === $this->state ? null : $this->assignment->classroom->part($user);
    }

    public function isReadBy(User $user): bool
    {
        return null !== $this->part($user) || $this->isMadeBy($user) || $this->isGuest($user) || null !== $this->peer($user);
    }

    /** Whether whoever is in its class may watch it. */
    public function isShownToClass(): bool
    {
        return Watching::isShown($this->state, $this->assignment->classSees);
    }

    /** Who handed it in, and who makes the story together with them. */
    public function isMadeBy(User $user): bool
    {
        return $this->student->is($user) || $this->story->isMadeBy($user);
    }

    public function isGuest(User $user): bool
    {
        return HandInState::Withdrawn !== $this->state && Role::Guest === $user->role && $this->guests->exists(static fn(int $_, Guest $guest): bool => $guest->isAsked($user));
    }

    /** What somebody says of it who watches it by lot; null for everybody else, and where it was taken back. */
    public function peer(User $user): ?PeerAnswer
    {
        return HandInState::Withdrawn === $this->state ? null : $this->peers->findFirst(static fn(int $_, PeerAnswer $one): bool => $one->reviewer->is($user));
    }

    /** Null where there is no rubric. */
    public function marks(): ?Marks
    {
        $rubric = $this->state->waits() ? $this->assignment->rubric : $this->rubric;

        return null === $rubric ? null : Marks::kept(Rubric::read(Fields::of($rubric)), $this->levels);
    }

    public function isLate(): bool
    {
        return HandingIn::isLate($this->assignment->classroom->school->day($this->handedInAt), $this->assignment->dueOn->format('Y-m-d'));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id,
            'number' => $this->number,
            'state' => $this->state->value,
            'isLate' => $this->isLate(),
            'handedInAt' => $this->handedInAt->format(\DATE_RFC3339),
            'answeredAt' => $this->answeredAt?->format(\DATE_RFC3339),
            'answer' => $this->answer,
            'makers' => array_map(static fn(User $one): string => $one->firstName, $this->story->makers()),
            'title' => $this->film->title,
            'film' => (string) $this->film->id,
            'seconds' => $this->film->seconds,
            'story' => (string) $this->story->id,
            'cover' => $this->film->cover,
            'remarks' => $this->remarks->map(static fn(Remark $r): array => $r->toArray())->getValues(),
        ];
    }
}
