<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\Core\Plan\Memo;
use Rhapsode\Core\Words\Sheet;

/** Finds the words of a story by the hash that its plan names: remembered as a plan is shown, planned again only where that was forgotten. */
final readonly class DrawnWords
{
    public function __construct(private Memo $memo, private PlanMaker $plans) {}

    public function remember(StoryRecord $record): void
    {
        foreach ($this->plans->plan($record->story())->slides as $slide) {
            if (!$slide->words->isEmpty()) {
                $this->memo->recall(self::key($record, $slide->words->hash()), static fn(): Sheet => $slide->words);
            }
        }
    }

    /** @return Sheet|null null when the story has no such words */
    public function find(StoryRecord $record, string $hash): ?Sheet
    {
        return $this->memo->recall(self::key($record, $hash), function () use ($record, $hash): ?Sheet {
            foreach ($this->plans->plan($record->story())->slides as $slide) {
                if ($slide->words->hash() === $hash) {
                    return $slide->words;
                }
            }

            return null;
        });
    }

    private static function key(StoryRecord $record, string $hash): string
    {
        return "drawn {$record->id} {$hash}";
    }
}
