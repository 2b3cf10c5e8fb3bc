<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetCopies;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\Core\Document\Refused;
use Symfony\Component\Uid\Uuid;

/** A story of one's own from one that is there: with all that it shows, whatever becomes of the first. */
final readonly class StoryCopies
{
    public function __construct(private EntityManagerInterface $entities, private AssetCopies $copies) {}

    /**
     * @param bool $voices whether it is spoken as the first is; else it is to be told again
     *
     * @throws Refused
     */
    public function copy(StoryRecord $from, string $title, bool $voices, User $owner): StoryRecord
    {
        return $this->entities->wrapInTransaction(function () use ($from, $title, $voices, $owner): StoryRecord {
            $story = $voices ? $from->story() : $from->story()->untold();
            $copy = new StoryRecord($owner, $story->with(title: $title));
            $ids = [];
            foreach (array_keys($story->assets) as $id) {
                $asset = Uuid::isValid((string) $id) ? $this->entities->getRepository(AssetRecord::class)->findOneBy(
                    ['id' => Uuid::fromString((string) $id), 'place' => $from->id],
                ) : null;
                $ids[(string) $id] = (string) $this->copies->copy($asset ?? throw new Refused('edit.asset-gone'), $copy->id)->id;
            }
            $copy->write($copy->story()->withAssetIds($ids));
            $copy->seconds = $from->seconds;
            $this->entities->persist($copy);

            return $copy;
        });
    }
}
