<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Studio\Words\TextDrawing;

/**
 * The words of plans, kept in the store under their story and their hash as a plan is made: to show one is to draw what is
 * written there, once, and never to plan again; and what was planned for another story is not found.
 */
final readonly class Drawings
{
    private const HEIGHT = 720;

    public function __construct(private Store $store, private Memo $memo) {}

    public function keep(StoryRecord $story, Plan $plan): void
    {
        foreach ($plan->scenes as $scene) {
            foreach ($scene->drawn() as $block) {
                $key = self::key($story, $block->hash());
                $this->memo->recall("kept {$key}", function () use ($block, $key): bool {
                    $this->store->once($key, static fn(string $to) => file_put_contents($to, $block->toJson()));

                    return true;
                });
            }
        }
    }

    /** @return string|null the key of the drawing; null where nothing of that hash was planned for the story */
    public function draw(StoryRecord $story, string $hash): ?string
    {
        $planned = self::key($story, $hash);
        if (!$this->store->has($planned)) {
            return null;
        }
        $drawn = self::drawn($hash . '-' . self::HEIGHT);
        if (!$this->store->has($drawn)) {
            $block = TextBlock::read(
                Fields::of(json_decode((string) file_get_contents($this->store->near($planned)), true, 8, \JSON_THROW_ON_ERROR)),
            );
            $this->store->once($drawn, static fn(string $to) => (new TextDrawing())->paint($block, $to, self::HEIGHT));
        }

        return $drawn;
    }

    /** The key of a drawing, by its name. */
    public static function drawn(string $name): string
    {
        return 'words/' . substr($name, 0, 2) . "/{$name}.png";
    }

    private static function key(StoryRecord $story, string $hash): string
    {
        return self::folder($story) . "/{$hash}.json";
    }

    public static function folder(StoryRecord $story): string
    {
        return "planned/{$story->id}";
    }
}
