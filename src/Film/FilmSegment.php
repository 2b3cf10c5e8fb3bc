<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\ORM\Mapping as ORM;

/** A segment that a film waits for; its file is kept under its name and serves every film that has the same. */
#[ORM\Entity]
class FilmSegment
{
    #[ORM\Column]
    public int $framesDone = 0;

    #[ORM\Column]
    public bool $done = false;

    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public FilmRecord $film,
        #[ORM\Id, ORM\Column(length: 32)]
        public string $name,
        #[ORM\Column]
        public int $frames,
    ) {}

    public static function key(string $name): string
    {
        return 'segments/' . substr($name, 0, 2) . "/{$name}.mp4";
    }
}
