<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Frame;

/** The light of a picture shown whole on its ground: a colour #rrggbb, or the picture itself, blurred and darkened. */
final readonly class WholeLight implements LightUnder
{
    public function __construct(private LightUnder $picture, private ?string $colour = null) {}

    public function under(Frame $part): array
    {
        [$dark, $bright] = $this->picture->under(Frame::all());
        $ground = null === $this->colour ? 0.0 : Contrast::luminance($this->colour);

        return [null === $this->colour ? 0.0 : min($dark, $ground), max($bright, $ground)];
    }
}
