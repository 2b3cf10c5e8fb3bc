<?php

declare(strict_types=1);

namespace Rhapsode\App\Picture;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Story\StoryRecord;
use Symfony\Component\Uid\Uuid;

/** A picture brought into a story. $hash is the SHA-256 of the file as it came, by which the same one is noticed. */
#[ORM\Entity]
#[ORM\Table(name: 'picture')]
#[ORM\UniqueConstraint(name: 'picture_once', columns: ['story_id', 'hash'])]
class PictureRecord
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public StoryRecord $story,
        #[ORM\Column(length: 64)]
        public string $hash,
        #[ORM\Column(length: 255)]
        public string $file,
    ) {
        $this->id = Uuid::v7();
    }
}
