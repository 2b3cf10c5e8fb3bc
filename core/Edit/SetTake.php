<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;

/** What a take is called, who speaks, and whether it was put away. It is kept either way. */
final readonly class SetTake implements Edit
{
    /** @param array<string, string|bool> $changes of Take; what is not told stays as it is */
    public function __construct(private string $asset, private array $changes) {}

    public function apply(Story $story): Story
    {
        $voice = $story->voice($this->asset) ?? throw new Refused('edit.voice-gone');

        return $story->withAsset($voice->withTake($voice->take->with(...$this->changes)));
    }
}
