<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Spoken;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\Core\Asset\AssetState;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/** What was spoken of a film and never said, since its page was closed in between, goes after a day. */
#[AsEventListener]
final readonly class SpokenSweeper
{
    private const KEPT = '-1 day';
    private const AT_ONCE = 500;

    public function __construct(private EntityManagerInterface $entities, private Spoken $spoken) {}

    public function __invoke(WorkerStartedEvent $event): void
    {
        $this->sweep();
    }

    /** @return int how many went */
    public function sweep(): int
    {
        /** @var list<AssetRecord> $old */
        $old = $this->entities->createQuery(
            'SELECT a FROM ' . AssetRecord::class . ' a WHERE a.state = :ready AND a.begunAt < :before AND a.place IN (SELECT h.id FROM ' . HandIn::class . ' h)'
            . ' AND NOT EXISTS (SELECT r.id FROM ' . Remark::class . ' r WHERE r.spoken = a) ORDER BY a.id',
        )
            ->setParameters(['ready' => AssetState::Ready->value, 'before' => now(self::KEPT)])->setMaxResults(self::AT_ONCE)->getResult();
        foreach ($old as $asset) {
            $id = (string) $asset->id;
            $this->entities->remove($asset);
            $this->entities->flush();
            $this->spoken->removeFiles($id);
        }

        return \count($old);
    }
}
