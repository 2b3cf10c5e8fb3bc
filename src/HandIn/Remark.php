<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Timing\Rate;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** What a teacher says about one moment of a film. $slide is the slide seen at that moment. */
#[ORM\Entity]
class Remark
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $madeAt;

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
    ) {
        $this->id = Uuid::v7();
        $this->madeAt = now();
    }

    /** @return array{id: string, seconds: float, slide: string, text: string, author: string} */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id,
            'seconds' => Rate::seconds($this->frame),
            'slide' => $this->slide,
            'text' => $this->text,
            'author' => $this->author->firstName,
        ];
    }
}
