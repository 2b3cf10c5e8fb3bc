<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\Recipe;

/**
 * What moves in a planned picture: the frames of a clip from $from to $to (exclusive), one for each frame of the scene from its start on;
 * before the first and after the last as there; it begins at the frame $at of the scene. $box is where the mended clip lies in the picture's rendition: all of it, or
 * what lies on a ground. $clip is all of it.
 */
final readonly class PlannedClip
{
    public function __construct(public Clip $clip, public int $from, public int $to, public Frame $box, public Recipe $recipe, public int $at = 0) {}

    /** @param int $frame of the scene, counted from its start */
    public function frame(int $frame): int
    {
        return max($this->from, min($this->to - 1, $this->from + $frame - $this->at));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'from' => $this->from, 'to' => $this->to, 'frames' => $this->clip->frames, 'every' => $this->clip->every(),
            'box' => $this->box->toArray(), 'recipe' => $this->recipe->toArray(),
            ...0 === $this->at ? [] : ['at' => $this->at],
        ];
    }
}
