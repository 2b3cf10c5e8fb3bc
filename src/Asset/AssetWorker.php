<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\LockMode;
use Doctrine\DBAL\ParameterType;
use Doctrine\ORM\EntityManagerInterface;
use Psr\EventDispatcher\EventDispatcherInterface;
use Psr\Log\LoggerInterface;
use Rhapsode\App\Shared\Database\Claims;
use Rhapsode\App\Shared\DiskFull;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\AssetAct;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Messenger\MessageBusInterface;

/**
 * Makes ready what has come in: one thing at a time for each person, in the order of arrival, so that thirty pictures of one
 * never keep another waiting; and one clip at a time beside it, for which no picture and no voice waits. A worker that is killed costs the one thing that it was at, which is begun again.
 */
final readonly class AssetWorker
{
    /** So often is something begun that has ended its worker each time. */
    private const TRIES = 3;

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Claims $claims,
        private Preparing $preparing,
        private EventDispatcherInterface $events,
        private Store $store,
        private MessageBusInterface $bus,
        private LoggerInterface $logger,
    ) {}

    #[AsMessageHandler]
    public function prepare(PrepareAssets $message): void
    {
        $which = $message->isLong ? 'clips' : 'assets';
        $isMine = $this->claims->alone("{$which} of {$message->person}", function () use ($message): bool {
            $this->entities->clear();
            $asset = $this->next($message);
            null === $asset || $this->one($asset);

            return true;
        });
        if (null === $isMine) {
            // Who holds it goes on until nothing waits.
            return;
        }
        // Behind those of other people; also for what came in while this one was at work, and found it held.
        if (null !== $this->next($message)) {
            $this->bus->dispatch($message, $message->stamps());
        }
    }

    /** Makes one thing ready that has come in. */
    public function one(AssetRecord $asset): void
    {
        if (!$this->begun($asset)) {
            return;
        }
        try {
            if ($asset->tries > self::TRIES) {
                throw new Unreadable('file.not-prepared');
            }
            $made = $this->preparing->prepare($asset);
            $asset->measured = $made instanceof Asset ? $made->toArray() : [];
            $this->entities->flush();
            $this->events->dispatch(new AssetPrepared($asset, $made));
            $this->end($asset, AssetAct::Succeed);
        } catch (Unreadable|Malformed|Refused $problem) {
            // The sentence is its owner's; what led to it is for the log.
            $this->logger->notice('an asset was refused', ['asset' => (string) $asset->id, 'exception' => $problem]);
            $asset->problem = $problem->said->toArray();
            $asset->measured = [];
            $this->end($asset, AssetAct::Refuse);
        } catch (DiskFull $full) {
            // It is nobody's fault, and must not be refused for it: it waits until there is room.
            --$asset->tries;
            $this->entities->flush();

            throw $full;
        } catch (\Throwable $trouble) {
            $this->logger->error('an asset could not be made ready', ['asset' => (string) $asset->id, 'exception' => $trouble]);

            throw $trouble;
        }
        if (AssetState::Ready === $asset->state) {
            $this->removeParts($asset);
        }
    }

    private function begun(AssetRecord $asset): bool
    {
        return $this->entities->wrapInTransaction(function () use ($asset): bool {
            $this->entities->refresh($asset, LockMode::PESSIMISTIC_WRITE);
            if (AssetState::Waiting !== $asset->state && AssetState::Preparing !== $asset->state) {
                return false;
            }
            $asset->become(AssetAct::Begin);
            ++$asset->tries;

            return true;
        });
    }

    private function end(AssetRecord $asset, AssetAct $act): void
    {
        $asset->become($act);
        $this->entities->flush();
    }

    /** What was made from them is kept, and they are not needed again. */
    private function removeParts(AssetRecord $asset): void
    {
        foreach ($this->entities->getRepository(AssetPart::class)->findBy(['asset' => $asset]) as $part) {
            $this->store->remove($part->key());
        }
        $this->database->executeStatement('DELETE FROM asset_part WHERE asset_id = ?', [(string) $asset->id]);
    }

    /** The one of a person's that came first. */
    private function next(PrepareAssets $message): ?AssetRecord
    {
        $kinds = array_filter(Arriving::cases(), static fn(Arriving $kind): bool => $kind->isLong() === $message->isLong);
        $id = $this->database->fetchOne(
            "SELECT id FROM asset WHERE owner_id = ? AND kind IN (?) AND state IN ('waiting', 'preparing') ORDER BY finished_at, id LIMIT 1",
            [$message->person, array_map(static fn(Arriving $kind): string => $kind->value, array_values($kinds))],
            [ParameterType::STRING, ArrayParameterType::STRING],
        );

        return \is_string($id) ? $this->entities->find(AssetRecord::class, $id) : null;
    }
}
