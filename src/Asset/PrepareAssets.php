<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Symfony\Component\Messenger\Stamp\TransportNamesStamp;

/**
 * Something of a person's waits to be made ready. Which it is, its worker looks up: the one that came first.
 * What takes minutes each has a queue of its own.
 */
final readonly class PrepareAssets
{
    public function __construct(public string $person, public bool $isLong = false) {}

    /** @return list<TransportNamesStamp> where it goes */
    public function stamps(): array
    {
        return $this->isLong ? [new TransportNamesStamp(['clips'])] : [];
    }
}
