<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\AssetAct;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\Around;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Pointing\Strokes;
use Rhapsode\Core\Sound\Steps;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\Uid\Uuid;

/**
 * The one way in: begun, sent in numbered parts, finished. A part that was acknowledged lies on the disk and in the database;
 * sending it again changes nothing, and what was lost on its way is sent again.
 */
final readonly class Assets
{
    public const MOST_PARTS = 20_000;
    public const PART_BYTES = 8_000_000;

    public function __construct(private EntityManagerInterface $entities, private Store $store, private MessageBusInterface $bus) {}

    /**
     * @param list<string> $after
     * @param bool         $beside what its slide shows
     * @param string|null  $layer  of its slide, whose picture it replaces
     */
    public function begin(
        User $owner,
        Uuid $place,
        Arriving $kind,
        string $file,
        ?string $slide = null,
        array $after = [],
        bool $beside = false,
        ?string $layer = null,
        ?Around $around = null,
    ): AssetRecord {
        $asset = new AssetRecord($owner, $place, $kind, self::name($file, $kind), $slide, $after);
        $asset->beside = $beside;
        $asset->layer = $layer;
        $asset->around = $around?->toArray();
        $this->entities->persist($asset);
        $this->entities->flush();

        return $asset;
    }

    /**
     * A frame of a clip comes in as a picture: there is nothing to send.
     *
     * @param list<string> $after
     */
    public function take(User $owner, Uuid $place, string $clip, int $frame, string $file, string $slide, array $after): AssetRecord
    {
        return $this->entities->wrapInTransaction(function () use ($owner, $place, $clip, $frame, $file, $slide, $after): AssetRecord {
            $asset = new AssetRecord($owner, $place, Arriving::Picture, self::name($file, Arriving::Picture), $slide, $after);
            $asset->taken = ['asset' => $clip, 'frame' => $frame];
            $this->entities->persist($asset);
            $this->waits($asset);

            return $asset;
        });
    }

    private function waits(AssetRecord $asset): void
    {
        $asset->become(AssetAct::Finish);
        $asset->finishedAt = (int) (microtime(true) * 1000);
        $message = new PrepareAssets((string) $asset->owner->id, $asset->kind->isLong());
        $this->bus->dispatch($message, $message->stamps());
    }

    /** @throws Refused when it is finished, or has other bytes in that place */
    public function receive(AssetRecord $asset, int $number, string $bytes): void
    {
        $hash = hash('sha256', $bytes);
        $id = (string) $asset->id;
        if (null === $this->held($id, $number) && AssetState::Sending === $asset->state) {
            $this->store->write(AssetPart::keyOf($id, $number, $hash), $bytes);
            // Of two at once the first stands, and both learn which that is.
            $this->entities->getConnection()->executeStatement(
                'INSERT INTO asset_part (asset_id, number, hash, bytes) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING',
                [$id, $number, $hash, \strlen($bytes)],
            );
        }
        match ($this->held($id, $number)) {
            $hash => null,
            null => throw new Refused('file.here-already'),
            default => throw new Refused('file.part-differs'),
        };
    }

    /** How many bytes of it are here. */
    public function bytes(AssetRecord $asset): int
    {
        $sum = $this->entities->getConnection()->fetchOne(
            'SELECT COALESCE(SUM(bytes), 0) FROM asset_part WHERE asset_id = ?',
            [(string) $asset->id],
        );

        return is_numeric($sum) ? (int) $sum : 0;
    }

    /** @return list<int> the numbers of its parts that are here */
    public function parts(AssetRecord $asset): array
    {
        $numbers = $this->entities->getConnection()->fetchFirstColumn(
            'SELECT number FROM asset_part WHERE asset_id = ? ORDER BY number',
            [(string) $asset->id],
        );

        return array_map(static fn(mixed $number): int => is_numeric($number) ? (int) $number : 0, $numbers);
    }

    /**
     * All its parts are here: it waits for its turn to be made ready. Asking again changes nothing.
     *
     * @param Steps|null   $steps    from slide to slide, where it is a recording for many
     * @param list<Stroke> $pointing where somebody pointed meanwhile
     * @param int|null     $recorded samples that it was recorded for, by the clock of who did
     *
     * @return list<int> the parts that are missing; with any of them it is not finished
     */
    public function finish(AssetRecord $asset, int $parts, ?Steps $steps = null, array $pointing = [], ?int $recorded = null): array
    {
        return $this->entities->wrapInTransaction(function () use ($asset, $parts, $steps, $pointing, $recorded): array {
            $this->entities->refresh($asset, LockMode::PESSIMISTIC_WRITE);
            if (AssetState::Sending !== $asset->state) {
                return [];
            }
            $missing = array_values(array_diff(range(0, $parts - 1), $this->parts($asset)));
            if ([] === $missing) {
                $asset->steps = $steps?->toArray();
                $asset->pointing = Strokes::toArray($pointing) ?: null;
                $asset->recorded = $recorded;
                $this->waits($asset);
            }

            return $missing;
        });
    }

    /** What its sender no longer wants: it goes, parts and all, unless it has come in already. */
    public function giveUp(AssetRecord $asset): void
    {
        $this->entities->wrapInTransaction(function () use ($asset): void {
            $this->entities->refresh($asset, LockMode::PESSIMISTIC_WRITE);
            if (AssetState::Sending !== $asset->state && AssetState::Refused !== $asset->state) {
                throw new Refused('file.here-already');
            }
            $this->entities->remove($asset);
        });
        $this->store->removeFolder(AssetPart::folderOf((string) $asset->id));
    }

    /** @return string|null the hash of a part that was acknowledged */
    private function held(string $asset, int $number): ?string
    {
        $hash = $this->entities->getConnection()->fetchOne(
            'SELECT hash FROM asset_part WHERE asset_id = ? AND number = ?',
            [$asset, $number],
        );

        return \is_string($hash) ? $hash : null;
    }

    private static function name(string $file, Arriving $kind): string
    {
        $name = mb_check_encoding($file, 'UTF-8') ? mb_substr(basename(str_replace('\\', '/', $file)), 0, 200) : '';

        return '' === trim($name) ? $kind->value : $name;
    }
}
