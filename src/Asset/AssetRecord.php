<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\AssetAct;
use Rhapsode\Core\Asset\AssetKind;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Document\Fields;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/**
 * Something that comes in, whatever it is and wherever it goes: first a row of numbered parts, then one file that is made ready.
 * What was sent is never overwritten. $place is what it is for, a story.
 */
#[ORM\Entity]
#[ORM\Table(name: 'asset')]
#[ORM\Index(name: 'asset_next', columns: ['owner_id', 'state', 'finished_at'])]
#[ORM\Index(name: 'asset_place', columns: ['place', 'hash'])]
#[ORM\Index(name: 'asset_hash', columns: ['hash'])]
class AssetRecord
{
    /** For whoever works where it goes. */
    public const OWN = 'own asset';

    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(length: 10, enumType: AssetState::class)]
    public AssetState $state = AssetState::Sending;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $begunAt;

    /** When its last part had come: its place in the order of arrival. Milliseconds since 1970. */
    #[ORM\Column(type: 'bigint', nullable: true)]
    public ?int $finishedAt = null;

    /** How often it was begun to be made ready. */
    #[ORM\Column]
    public int $tries = 0;

    /** @var array{code: string, parameters?: array<string, mixed>}|null why it was refused, as a message for its owner */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $problem = null;

    /** SHA-256 of the file as it came, by which the same one is noticed. */
    #[ORM\Column(length: 64, nullable: true)]
    public ?string $hash = null;

    /** The asset of the same place that it turned out to be. */
    #[ORM\Column(type: 'uuid', nullable: true)]
    public ?Uuid $same = null;

    /** @var array<string, mixed> what was measured, as the document has it; nothing before it is ready */
    #[ORM\Column(type: 'json')]
    public array $measured = [];

    /** @var list<float> the drawn waveform of a voice: at most 240 points, of a very long one two a second */
    #[ORM\Column(type: 'json')]
    public array $peaks = [];

    /** Per cent of it that is made ready, where that takes long; null where it is not known. */
    #[ORM\Column(type: 'smallint', nullable: true)]
    public ?int $progress = null;

    /** @var array{asset: string, frame: int}|null the frame of a clip that it is, where it was taken from one */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $taken = null;

    /** Whether it goes beside what its slide shows, and not in the place of that. */
    #[ORM\Column(options: ['default' => false])]
    public bool $beside = false;

    /** The layer of its slide whose picture it replaces; null for the first. */
    #[ORM\Column(length: 64, nullable: true)]
    public ?string $layer = null;

    /** @var array<string, mixed>|null what it is spoken for, where that is a part of what its slide speaks; as the core's Around */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $around = null;

    /** @var list<array{slide: string, at: int}>|null from slide to slide, where one recording is for many; as the core's Steps */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $steps = null;

    /** @var list<array<string, mixed>>|null where somebody pointed meanwhile; as the core's Stroke */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $pointing = null;

    /** Samples that a voice was recorded for, by the clock of who did: what is noted of it was noted by that. */
    #[ORM\Column(nullable: true)]
    public ?int $recorded = null;

    /** @param list<string> $after slides that a picture's new slide should follow, the nearest first */
    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public User $owner,
        #[ORM\Column(type: 'uuid')]
        public Uuid $place,
        #[ORM\Column(length: 10, enumType: Arriving::class)]
        public Arriving $kind,
        #[ORM\Column(length: 255)]
        public string $file,
        /** Where it goes: a picture's new slide, the slide that a voice is for. */
        #[ORM\Column(length: 64, nullable: true)]
        public ?string $slide = null,
        #[ORM\Column(type: 'json')]
        public array $after = [],
    ) {
        $this->id = Uuid::v7();
        $this->begunAt = now();
    }

    public function become(AssetAct $act): void
    {
        $this->state = $this->state->after($act);
    }

    /** What it became: null for what stays no asset, and for what is not ready. */
    public function asset(): ?Asset
    {
        return [] === $this->measured ? null : AssetKind::read((string) $this->id, Fields::of($this->measured));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id, 'kind' => $this->kind->value, 'file' => $this->file, 'slide' => $this->slide,
            'state' => $this->state->value, 'progress' => $this->progress, 'problem' => $this->problem,
            'same' => null === $this->same ? null : (string) $this->same,
        ];
    }
}
