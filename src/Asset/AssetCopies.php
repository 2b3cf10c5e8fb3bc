<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\AssetState;
use Symfony\Component\Uid\Uuid;

/** What came in for one place is had in another too, and stays there whatever becomes of the first. */
final readonly class AssetCopies
{
    public function __construct(private EntityManagerInterface $entities, private Store $store) {}

    /** @return AssetRecord one of that place; where it has the same file already, that one */
    public function copy(AssetRecord $asset, Uuid $place): AssetRecord
    {
        $there = null === $asset->hash ? null : $this->entities->getRepository(AssetRecord::class)
            ->findOneBy(['place' => $place, 'hash' => $asset->hash, 'kind' => $asset->kind, 'state' => AssetState::Ready, 'same' => null]);
        if (null !== $there) {
            return $there;
        }
        $copy = new AssetRecord($asset->owner, $place, $asset->kind, $asset->file);
        $copy->state = $asset->state;
        [$copy->finishedAt, $copy->hash, $copy->measured, $copy->peaks] = [
            $asset->finishedAt,
            $asset->hash,
            $asset->measured,
            $asset->peaks,
        ];
        // The files first: a row tells of nothing that is not there.
        foreach (array_combine(AssetFiles::folders((string) $asset->id), AssetFiles::folders((string) $copy->id)) as $from => $to) {
            $this->store->copyFolder($from, $to);
        }
        $this->entities->persist($copy);
        $this->entities->flush();

        return $copy;
    }
}
