<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Classroom\Assignment;
use Symfony\Component\Uid\Uuid;

/** Which assignment a link in a platform's course leads to, and where its scores go. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_link')]
#[ORM\UniqueConstraint(name: 'lti_link_once', columns: ['course_id', 'link'])]
class TaskLink
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** Null where the platform takes no scores of it. */
    #[ORM\Column(type: 'text', nullable: true)]
    public ?string $scores = null;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Course $course,
        /** What the platform calls it. */
        #[ORM\Column(length: 255)]
        public string $link,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Assignment $assignment,
    ) {
        $this->id = Uuid::v7();
    }
}
