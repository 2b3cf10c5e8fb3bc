<?php

declare(strict_types=1);

namespace Rhapsode\App\Take;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Shared\Clock;
use Rhapsode\App\Story\StoryRecord;
use Symfony\Component\Uid\Uuid;

/** A recording: first a row of numbered parts, then one sound. It is never overwritten. */
#[ORM\Entity]
#[ORM\Table(name: 'take')]
class TakeRecord
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $begunAt;

    #[ORM\Column]
    public bool $finished = false;

    /** @var list<float> the drawn waveform, at most 240 points */
    #[ORM\Column(type: 'json')]
    public array $peaks = [];

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public StoryRecord $story,
        #[ORM\Column(length: 64)]
        public string $slide,
        #[ORM\Column(length: 255)]
        public string $file,
    ) {
        $this->id = Uuid::v7();
        $this->begunAt = Clock::now();
    }

    public function key(): string
    {
        return "takes/{$this->id}/take.flac";
    }
}
