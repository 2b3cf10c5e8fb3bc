<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;

/** Our own key, sealed; there is one. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_key')]
class KeptKey
{
    public const ONLY = 1;

    public function __construct(
        #[ORM\Id, ORM\Column]
        public int $id,
        #[ORM\Column(type: 'text')]
        public string $sealed,
    ) {}
}
