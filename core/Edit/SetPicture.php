<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Icon\IconLayer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/**
 * Shows another picture of the story on a slide. Its words, voice and time stay, and so does how it is shown; what was done to the
 * earlier picture was for that one. Frames that were set stay where the pictures have the same shape: elsewhere they would show
 * something else.
 */
final readonly class SetPicture implements Edit
{
    /** Two pictures whose ratios differ by less than this share have the same shape: as of one camera, cut a little. */
    private const SAME_SHAPE = 0.03;

    /** @param string|null $layer in place of whose picture; null for the first */
    public function __construct(private string $slide, private string $asset, private ?string $layer = null) {}

    public function apply(Story $story): Story
    {
        $new = $story->picture($this->asset) ?? throw new Refused('edit.asset-gone');

        return OnSlides::change($story, [$this->slide], function (Slide $slide) use ($story, $new): Slide {
            $named = null === $this->layer ? $slide->picture() : $slide->layer($this->layer);
            if ($named instanceof IconLayer) {
                return $slide->withLayer($named->showing($new->id));
            }
            $layer = $named instanceof PictureLayer ? $named : null;
            $old = null === $layer ? null : $story->picture($layer->asset);
            if (null === $layer || null === $old) {
                return $slide->withLayer(new PictureLayer($layer->id ?? $slide->freeId('picture'), $new->id, cell: $layer?->cell));
            }
            $ratio = $new->width / $new->height;
            $isAlike = abs($ratio / $old->width * $old->height - 1) < self::SAME_SHAPE;
            $framing = Motion::Set === $layer->framing->motion && !$isAlike
                ? new Framing()
                : $layer->framing->withFrames(static fn(Frame $frame): Frame => $layer->recipe->carried($frame, new Recipe()));

            return $old->id === $new->id ? $slide : $slide->withLayer(
                $layer->with(asset: $new->id, recipe: new Recipe(), framing: $framing, part: null),
            );
        });
    }
}
