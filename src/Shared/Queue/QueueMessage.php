<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Queue;

use Doctrine\ORM\Mapping as ORM;

/** A row of the queue; only the transport touches it, with SQL of its own. */
#[ORM\Entity]
#[ORM\Index(name: 'queue_next', columns: ['queue', 'turn', 'id'])]
class QueueMessage
{
    #[ORM\Id, ORM\GeneratedValue(strategy: 'IDENTITY'), ORM\Column(type: 'bigint')]
    public int $id;

    #[ORM\Column(length: 40)]
    public string $queue;

    #[ORM\Column(type: 'text')]
    public string $body;

    #[ORM\Column(type: 'text')]
    public string $headers;

    #[ORM\Column(options: ['default' => 0])]
    public int $turn = 0;

    #[ORM\Column(type: 'bigint')]
    public int $availableAt;

    #[ORM\Column(type: 'bigint', nullable: true)]
    public ?int $deliveredAt = null;
}
