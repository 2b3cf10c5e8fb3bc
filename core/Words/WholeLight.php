<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Frame;

/** The light of a picture shown whole on its ground: the ground is the picture itself, blurred and darkened. */
final readonly class WholeLight implements LightUnder
{
    public function __construct(private LightUnder $picture) {}

    public function under(Frame $part): array
    {
        return [0.0, $this->picture->under(Frame::all())[1]];
    }
}
