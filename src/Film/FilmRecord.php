<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Film\PlayProblem;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Render\Container;
use Rhapsode\Studio\Render\FilmFormat;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** A film, being made or made, from the story as it was when it was asked for: later edits do not touch it. */
#[ORM\Entity]
#[ORM\Table(name: 'film')]
#[ORM\UniqueConstraint(name: 'film_once', columns: ['story_id', 'document_hash', 'size', 'container'], options: ['where' => "(((state)::text <> 'failed'::text) AND ((state)::text <> 'cancelled'::text))"])]
class FilmRecord
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(length: 10, enumType: FilmState::class)]
    public FilmState $state = FilmState::Waiting;

    #[ORM\Column]
    public int $revision;

    #[ORM\Column(length: 120)]
    public string $title;

    /** The picture on the story's cover as it was. */
    #[ORM\Column(length: 64, nullable: true)]
    public ?string $cover;

    #[ORM\Column(type: 'text')]
    private string $document;

    private ?Story $read = null;

    #[ORM\Column(length: 64)]
    public string $documentHash;

    /** Frames to be encoded and done so far. */
    #[ORM\Column]
    public int $frames = 0;

    #[ORM\Column]
    public int $framesDone = 0;

    #[ORM\Column]
    public float $seconds = 0;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $begunAt;

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $makingSince = null;

    #[ORM\Column(type: 'bigint', nullable: true)]
    public ?int $bytes = null;

    /** @var list<PlayProblem>|null why it does not play, nothing where it does; null until it was played through */
    #[ORM\Column(type: 'json', nullable: true, enumType: PlayProblem::class)]
    public ?array $problems = null;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public StoryRecord $story,
        /** One of FilmFormat::SIZES. */
        #[ORM\Column(length: 8)]
        public string $size = '720',
        #[ORM\Column(length: 8, enumType: Container::class)]
        public Container $container = Container::Mp4,
    ) {
        $this->id = Uuid::v7();
        $this->revision = $story->revision;
        $this->title = $story->title;
        $this->cover = $story->cover;
        $this->document = $story->document();
        $this->documentHash = hash('sha256', $this->document);
        $this->begunAt = now();
    }

    public function story(): Story
    {
        return $this->read ??= Story::fromJson($this->document);
    }

    /** To its end; null until that was tried. */
    public function plays(): ?bool
    {
        return null === $this->problems ? null : [] === $this->problems;
    }

    public function video(): string
    {
        return "films/{$this->id}/film.{$this->container->value}";
    }

    public function format(): FilmFormat
    {
        return FilmFormat::of($this->story()->shape, $this->size, $this->container);
    }

    public function captions(): string
    {
        return "films/{$this->id}/captions.vtt";
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id,
            'title' => $this->title,
            'revision' => $this->revision,
            'state' => $this->state->value,
            'frames' => $this->frames,
            'framesDone' => $this->framesDone,
            'secondsLeft' => $this->secondsLeft(),
            'seconds' => $this->seconds,
            'size' => $this->size,
            'container' => $this->container->value,
            'bytes' => $this->bytes,
            'problems' => null === $this->problems ? null : array_column($this->problems, 'value'),
            'begunAt' => $this->begunAt->format(\DATE_RFC3339),
        ];
    }

    /** By the pace so far; null while there is none to go by. */
    private function secondsLeft(): ?int
    {
        if (FilmState::Making !== $this->state || null === $this->makingSince || $this->framesDone < 30) {
            return null;
        }
        $spent = max(1, now()->getTimestamp() - $this->makingSince->getTimestamp());

        return (int) ceil(($this->frames - $this->framesDone) * $spent / $this->framesDone) + 2;
    }
}
