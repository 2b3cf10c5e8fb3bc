<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Story\Slide;

/** Changes the stops of a slide's pictures one by one. */
final class OnStops
{
    /** @param \Closure(Stop): Stop $change */
    public static function change(Slide $slide, \Closure $change): Slide
    {
        return $slide->with(layers: array_map(
            static fn(Layer $layer): Layer => $layer instanceof PictureLayer ? $layer->with(
                framing: $layer->framing->withStops($change),
            ) : $layer,
            $slide->layers,
        ));
    }
}
