<?php

declare(strict_types=1);

namespace Rhapsode\App\TakeHome;

use Rhapsode\App\Shared\Store;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/** What was packed goes after a while: it is packed again when it is asked for. */
#[AsEventListener]
final readonly class OldArchives
{
    private const KEPT_FOR = '-2 days';

    public function __construct(private Store $store) {}

    public function __invoke(WorkerStartedEvent $event): void
    {
        $this->store->removeOld(StoryArchive::FOLDER, now(self::KEPT_FOR));
    }
}
