<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\Core\Lti\Expected;
use Rhapsode\Core\Lti\Launch;
use Rhapsode\Core\Lti\LaunchCheck;

use function Symfony\Component\Clock\now;

/** Somebody whom a platform has sent and whose message was checked, until they are where its link leads to. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_arrival')]
class Arrival
{
    private const LASTS = '+30 minutes';

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $cameAt;

    #[ORM\Column(type: 'datetime_immutable')]
    public \DateTimeImmutable $until;

    /** Chosen for a link that the platform is about to make. */
    #[ORM\ManyToOne, ORM\JoinColumn(onDelete: 'CASCADE')]
    public ?Assignment $chosen = null;

    /** @param array<string, mixed> $claims of the platform's message */
    public function __construct(
        /** The hash of its ticket. */
        #[ORM\Id, ORM\Column(length: 64)]
        public string $ticket,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public Platform $platform,
        #[ORM\Column(type: 'json')]
        public array $claims,
        #[ORM\Column(type: 'text')]
        public string $target,
        /** The hash of what the browser that it was begun in keeps. */
        #[ORM\Column(length: 64)]
        public string $browser,
    ) {
        $this->cameAt = now();
        $this->until = now(self::LASTS);
    }

    /** Checked again as it was when it came; null where the platform is told of otherwise by now. */
    public function launch(): ?Launch
    {
        $nonce = $this->claims['nonce'] ?? '';
        $expected = new Expected(\is_string($nonce) ? $nonce : '', $this->target);
        $read = LaunchCheck::read($this->claims, $this->platform->registered(), $expected, $this->cameAt->getTimestamp());

        return $read instanceof Launch ? $read : null;
    }
}
