<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetCopies;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Shared\Stale;
use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\AssetKind;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\PasteSlides;
use Rhapsode\Core\Story\Slide;
use Symfony\Component\Uid\Uuid;

/** Slides that were copied or cut come into a story: with what they show and speak with, where that is another story's. */
final readonly class Pasting
{
    public function __construct(private EntityManagerInterface $entities, private Stories $stories, private AssetCopies $copies) {}

    /**
     * @param StoryRecord $from   whose they are; they themselves may be gone from it
     * @param list<Slide> $slides
     * @param list<string> $ids   the new id of each
     *
     * @throws Refused|Stale
     */
    public function paste(
        StoryRecord $into,
        StoryRecord $from,
        array $slides,
        array $ids,
        ?string $after,
        int $revision,
        User $author,
    ): void {
        if (\count($slides) !== \count($ids)) {
            throw new Refused('edit.copies-need-ids');
        }
        $this->entities->wrapInTransaction(function () use ($into, $from, $slides, $ids, $after, $revision, $author): void {
            // Of two at once the second brings nothing along.
            $this->entities->refresh($into, LockMode::PESSIMISTIC_WRITE);
            if ($into->revision !== $revision) {
                throw new Stale($into->revision);
            }
            $assets = $into->id->equals($from->id) ? [] : $this->brought($from, $slides, $into->id);
            $renamed = array_map(static fn(Asset $asset): string => $asset->id, $assets);
            $copied = array_map(static fn(Slide $slide, string $id): Slide => $slide->copied($id, $renamed), $slides, $ids);
            $along = array_map(static fn(Asset $asset): Asset => $asset instanceof Voice ? $asset->amongRenamed($renamed) : $asset, array_values($assets));
            $this->stories->edit($into, [new PasteSlides($copied, $after, $along)], $revision, $author);
        });
    }

    /**
     * @param list<Slide> $slides
     *
     * @return array<string, Asset> what they show and speak with, had in that place too, by the ids of the first
     */
    private function brought(StoryRecord $from, array $slides, Uuid $place): array
    {
        $assets = [];
        foreach ($slides as $slide) {
            foreach ($slide->assets() as $id) {
                $assets[$id] ??= $this->bring($from, $id, $place);
            }
        }

        return $assets;
    }

    private function bring(StoryRecord $from, string $id, Uuid $place): Asset
    {
        $records = $this->entities->getRepository(AssetRecord::class);
        $record = Uuid::isValid($id) ? $records->findOneBy(['id' => Uuid::fromString($id), 'place' => $from->id]) : null;
        // What its maker said of its source comes along.
        $asset = null === $record ? null : $from->story()->assets[$id] ?? $record->asset();
        if (null === $record || null === $asset) {
            throw new Refused('edit.asset-gone');
        }

        return AssetKind::read((string) $this->copies->copy($record, $place)->id, Fields::of($asset->toArray()));
    }
}
