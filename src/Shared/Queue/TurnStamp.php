<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Queue;

use Symfony\Component\Messenger\Stamp\NonSendableStampInterface;

/**
 * Which turn a message waits for: all first turns are taken before the second ones. Work that is many messages gives
 * each a later turn, so that a short work behind a long one does not wait for all of it.
 */
final readonly class TurnStamp implements NonSendableStampInterface
{
    public function __construct(public int $turn) {}
}
