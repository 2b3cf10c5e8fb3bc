<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\App\Account\School;
use Rhapsode\Core\Lti\LaunchFault;
use Rhapsode\Core\Lti\Registered;
use Symfony\Component\Uid\Uuid;

/** A learning platform that a school's administrator has told of. */
#[ORM\Entity]
#[ORM\Table(name: 'lti_platform')]
#[ORM\UniqueConstraint(name: 'lti_platform_once', columns: ['issuer', 'client'])]
class Platform
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    #[ORM\Column(length: 255)]
    public string $issuer = '';

    #[ORM\Column(length: 255)]
    public string $client = '';

    /** @var list<string> */
    #[ORM\Column(type: 'json')]
    public array $deployments = [];

    /** Where somebody is sent who begins a launch. */
    #[ORM\Column(type: 'text')]
    public string $authorisation = '';

    /** Where a token for scores and names is asked for. */
    #[ORM\Column(type: 'text')]
    public string $tokens = '';

    /** Where its public keys are. */
    #[ORM\Column(type: 'text')]
    public string $keys = '';

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $cameAt = null;

    /** Why whoever came last was not let in; null where they were. */
    #[ORM\Column(length: 24, nullable: true, enumType: LaunchFault::class)]
    public ?LaunchFault $fault = null;

    /** Since when a score could not be given to it; null where all could. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $scoreFailedAt = null;

    public function __construct(
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public School $school,
        #[ORM\Column(length: 120)]
        public string $name,
    ) {
        $this->id = Uuid::v7();
    }

    public function tell(PlatformTold $told): void
    {
        $this->name = $told->name;
        $this->issuer = $told->issuer;
        $this->client = $told->client;
        $this->deployments = $told->deployments;
        $this->authorisation = $told->authorisation;
        $this->tokens = $told->tokens;
        $this->keys = $told->keys;
    }

    public function registered(): Registered
    {
        return new Registered($this->issuer, $this->client, $this->deployments);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => (string) $this->id, 'name' => $this->name, 'issuer' => $this->issuer, 'client' => $this->client,
            'deployments' => $this->deployments, 'authorisation' => $this->authorisation, 'tokens' => $this->tokens, 'keys' => $this->keys,
            'cameAt' => $this->cameAt?->format(\DATE_RFC3339), 'fault' => $this->fault?->value, 'scoreFailedAt' => $this->scoreFailedAt?->format(\DATE_RFC3339),
        ];
    }
}
