<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Psr\EventDispatcher\EventDispatcherInterface;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Shared\Store;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/** Stories that were deleted, and were not brought back for a time, go with all that was brought in for them. */
#[AsEventListener]
final readonly class StorySweeper
{
    private const HAD_BACK_FOR = '-30 days';
    private const AT_ONCE = 50;

    public function __construct(private EntityManagerInterface $entities, private Store $store, private EventDispatcherInterface $events) {}

    public function __invoke(WorkerStartedEvent $event): void
    {
        $this->sweep();
    }

    /** @return int how many went */
    public function sweep(): int
    {
        /** @var list<StoryRecord> $old */
        $old = $this->entities->createQuery('SELECT s FROM ' . StoryRecord::class . ' s WHERE s.deletedAt < :before ORDER BY s.deletedAt')
            ->setParameter('before', now(self::HAD_BACK_FOR))->setMaxResults(self::AT_ONCE)->getResult();

        return \count(array_filter($old, $this->remove(...)));
    }

    /** Whether it went: what is not deleted stays, and what somebody else needs still. */
    public function remove(StoryRecord $story): bool
    {
        $going = new StoryGoing($story);
        $this->entities->wrapInTransaction(function () use ($story, $going): void {
            // Brought back at this very moment, it stays.
            $this->entities->refresh($story, LockMode::PESSIMISTIC_WRITE);
            $this->events->dispatch($going);
            if ($going->isKept || null === $story->deletedAt) {
                return;
            }
            $going->folders[] = Drawings::folder($story);
            foreach ($this->entities->getRepository(AssetRecord::class)->findBy(['place' => $story->id]) as $asset) {
                $going->folders = [...$going->folders, ...AssetFiles::folders((string) $asset->id)];
                $this->entities->remove($asset);
            }
            $this->entities->createQuery('DELETE FROM ' . StoryChange::class . ' c WHERE c.story = :story')->execute(['story' => $story]);
            $this->entities->remove($story);
        });
        if ($this->entities->contains($story)) {
            return false;
        }
        // What the rows told of is gone, whatever happens now; a folder that cannot be removed is met by nobody.
        array_map($this->store->removeFolder(...), $going->folders);

        return true;
    }
}
