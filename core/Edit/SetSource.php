<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;

/** Whose work assets are. What is not told stays as it is: two parts changed shortly after each other both count. */
final readonly class SetSource implements Edit
{
    /**
     * @param list<string>                                            $assets
     * @param array<'title'|'author'|'link'|'licence', string> $parts
     */
    public function __construct(private array $assets, private array $parts) {}

    public function apply(Story $story): Story
    {
        foreach ($this->assets as $id) {
            $asset = $story->assets[$id] ?? throw new Refused('edit.asset-gone');
            $story = $story->withAsset($asset->withSource($asset->source->changed($this->parts)));
        }

        return $story;
    }
}
