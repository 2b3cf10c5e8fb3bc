<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Classroom\Classroom;
use Symfony\Component\Uid\Uuid;

/** Which class a platform's course is. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_course')]
#[ORM\UniqueConstraint(name: 'lti_course_once', columns: ['platform_id', 'course'])]
class Course
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** Where the platform tells who is in it; null where it does not. */
    #[ORM\Column(type: 'text', nullable: true)]
    public ?string $names = null;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Platform $platform,
        /** What the platform calls it. */
        #[ORM\Column(length: 255)]
        public string $course,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Classroom $classroom,
    ) {
        $this->id = Uuid::v7();
    }
}
