<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\Core\Lti\Expected;

use function Symfony\Component\Clock\now;

/** A launch that was begun here, until the platform sends whoever began it back. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_begun')]
class Begun
{
    private const LASTS = '+10 minutes';

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $until;

    public function __construct(
        /** The hash of its state. */
        #[ORM\Id, ORM\Column(length: 64)]
        public string $state,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Platform $platform,
        #[ORM\Column(length: 40)]
        public string $nonce,
        #[ORM\Column(type: 'text')]
        public string $target,
        /** The hash of what the browser that began it keeps. */
        #[ORM\Column(length: 64)]
        public string $browser,
    ) {
        $this->until = now(self::LASTS);
    }

    public function expected(): Expected
    {
        return new Expected($this->nonce, $this->target);
    }
}
