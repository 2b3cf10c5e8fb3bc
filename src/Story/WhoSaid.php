<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

/** Whose voice is heard on which slide, where several make a story. */
final readonly class WhoSaid
{
    public function __construct(private EntityManagerInterface $entities) {}

    /**
     * @param Story $story of the record, as it is or as it was in a film
     *
     * @return array<string, list<string>> by slides the first names, each once, in the order in which they are heard; nothing where one makes it alone
     */
    public function of(StoryRecord $record, Story $story): array
    {
        if (\count($record->makers()) < 2) {
            return [];
        }
        $takes = static fn(Slide $slide): array => array_values(array_unique(array_map(static fn(Span $span): string => $span->asset, $slide->voice)));
        $names = [];
        foreach ($this->entities->getRepository(AssetRecord::class)->findBy(['id' => array_merge(...array_map($takes, $story->slides))]) as $take) {
            $names[(string) $take->id] = $take->owner->firstName;
        }
        $said = [];
        foreach ($story->slides as $slide) {
            $theirs = array_filter(array_map(static fn(string $take): ?string => $names[$take] ?? null, $takes($slide)));
            if ([] !== $theirs) {
                $said[$slide->id] = array_values(array_unique($theirs));
            }
        }

        return $said;
    }
}
