<?php

declare(strict_types=1);

namespace Rhapsode\App\Take;

use Doctrine\ORM\Mapping as ORM;

/** A part of a recording that the server holds. */
#[ORM\Entity]
class TakePart
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public TakeRecord $take,
        #[ORM\Id, ORM\Column]
        public int $number,
        #[ORM\Column(length: 64)]
        public string $hash,
    ) {}

    public function key(): string
    {
        return \sprintf('takes/%s/part-%05d', $this->take->id, $this->number);
    }
}
