<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\Core\Story\Story;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** A story as it is kept: its document, the revision that every change raises, and what the desk shows of it. */
#[ORM\Entity]
#[ORM\Table(name: 'story')]
#[ORM\Index(name: 'story_rested', columns: ['changed_at'])]
class StoryRecord
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column]
    public int $revision = 1;

    #[ORM\Column(length: 120)]
    public string $title;

    /** Length of the film as planned, in seconds. */
    #[ORM\Column]
    public float $seconds = 0;

    #[ORM\Column]
    public int $slides = 0;

    /** The picture on its cover. */
    #[ORM\Column(length: 64, nullable: true)]
    public ?string $cover = null;

    #[ORM\Column(type: 'text')]
    private string $document;

    /** The document as it was read last, and what it was read from. */
    private ?Story $read = null;
    private string $readFrom = '';

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $begunAt;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $changedAt;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $deletedAt = null;

    /** @var Collection<int, User> who makes it together with its owner */
    #[ORM\ManyToMany(targetEntity: User::class), ORM\JoinTable(name: 'story_maker'), ORM\OrderBy(['firstName' => 'ASC'])]
    public Collection $others;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $owner,
        Story $story,
        #[ORM\ManyToOne]
        public ?Assignment $assignment = null,
    ) {
        $this->id = Uuid::v7();
        $this->others = new ArrayCollection();
        $this->begunAt = now();
        $this->write($story);
    }

    /** @return non-empty-list<User> whoever has begun it first */
    public function makers(): array
    {
        return [$this->owner, ...$this->others->getValues()];
    }

    public function isMadeBy(User $user): bool
    {
        return $this->owner->is($user) || $this->others->exists(static fn(int $_, User $one): bool => $one->is($user));
    }

    public function join(User $user): void
    {
        if (!$this->isMadeBy($user)) {
            $this->others->add($user);
        }
    }

    /** Where whoever has begun it leaves, it is the next one's. Who makes it alone stays. */
    public function leave(User $user): void
    {
        $next = $this->others->first();
        if ($this->owner->is($user) && false !== $next) {
            $this->owner = $user = $next;
        }
        foreach ($this->others as $key => $one) {
            if ($one->is($user)) {
                $this->others->remove($key);
            }
        }
    }

    public function story(): Story
    {
        if (null === $this->read || $this->readFrom !== $this->document) {
            $this->read = Story::fromJson($this->document);
            $this->readFrom = $this->document;
        }

        return $this->read;
    }

    public function document(): string
    {
        return $this->document;
    }

    public function write(Story $story): void
    {
        $this->document = $this->readFrom = $story->toJson();
        $this->read = $story;
        $this->title = $story->title;
        $this->slides = \count($story->slides);
        $this->cover = $story->cover()?->asset;
        $this->changedAt = now();
    }
}
