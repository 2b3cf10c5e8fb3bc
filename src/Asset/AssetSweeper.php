<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\AssetState;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/**
 * What nothing refers to any more goes after a time: what nobody went on to send (a page that comes back begins it anew), and what
 * was refused, once its owner had time to read why.
 */
#[AsEventListener]
final readonly class AssetSweeper
{
    private const KEPT = [['state' => AssetState::Sending, 'for' => '-30 days'], ['state' => AssetState::Refused, 'for' => '-7 days']];
    private const AT_ONCE = 500;

    public function __construct(private EntityManagerInterface $entities, private Store $store) {}

    public function __invoke(WorkerStartedEvent $event): void
    {
        $this->sweep();
    }

    /** @return int how many went */
    public function sweep(): int
    {
        $gone = 0;
        foreach (self::KEPT as ['state' => $state, 'for' => $time]) {
            /** @var list<AssetRecord> $old */
            $old = $this->entities->createQuery(
                'SELECT a FROM ' . AssetRecord::class . ' a WHERE a.state = :state AND a.begunAt < :before ORDER BY a.id',
            )
                ->setParameters(['state' => $state->value, 'before' => now($time)])->setMaxResults(self::AT_ONCE)->getResult();
            foreach ($old as $asset) {
                $this->entities->remove($asset);
                $this->entities->flush();
                $this->store->removeFolder(AssetPart::folderOf((string) $asset->id));
                ++$gone;
            }
        }

        return $gone;
    }
}
