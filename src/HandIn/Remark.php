<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\Core\Timing\Rate;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** What a teacher says about one moment of a film, or about a stretch from there on. $slide is the slide seen at that moment. */
#[ORM\Entity]
class Remark
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $madeAt;

    /** Whether what it says was done since. */
    #[ORM\Column(options: ['default' => false])]
    public bool $isDone = false;

    public function __construct(
        #[ORM\ManyToOne(inversedBy: 'remarks'), ORM\JoinColumn(nullable: false)]
        public HandIn $handIn,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $author,
        #[ORM\Column]
        public int $frame,
        #[ORM\Column(length: 64)]
        public string $slide,
        #[ORM\Column(type: 'text')]
        public string $text,
        /** The frame at which a stretch ends; null where it is of a moment. */
        #[ORM\Column(name: 'until_frame', nullable: true)]
        public ?int $until = null,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: true)]
        public ?AssetRecord $spoken = null,
        /** Of what was spoken. */
        #[ORM\Column(nullable: true)]
        public ?float $spokenSeconds = null,
        /** @var array<string, mixed>|null what is drawn on the picture; as the core's Mark */
        #[ORM\Column(type: 'json', nullable: true)]
        public ?array $mark = null,
    ) {
        $this->id = Uuid::v7();
        $this->madeAt = now();
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id,
            'seconds' => Rate::seconds($this->frame),
            'until' => null === $this->until ? null : Rate::seconds($this->until),
            'slide' => $this->slide,
            'text' => $this->text,
            'spoken' => $this->spokenSeconds,
            'voice' => null === $this->spokenSeconds ? null : "/api/handins/{$this->handIn->id}/remarks/{$this->id}/voice.flac",
            'mark' => $this->mark,
            'isDone' => $this->isDone,
            'author' => $this->author->firstName,
            'authorId' => (string) $this->author->id,
        ];
    }
}
