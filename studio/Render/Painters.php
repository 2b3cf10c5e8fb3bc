<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\LayerKind;

/** The painter of each kind of layer, for films of one shape and format. */
final class Painters
{
    /** @var array<string, LayerPainter> */
    private array $made = [];

    public function __construct(
        private readonly Renditions $renditions,
        private readonly Shape $shape,
        private readonly FilmFormat $format,
    ) {}

    public function of(LayerKind $kind): LayerPainter
    {
        return $this->made[$kind->value] ??= match ($kind) {
            LayerKind::Picture => new PicturePainter($this->renditions, $this->shape, $this->format),
            LayerKind::Words => new WordsPainter($this->renditions, $this->format),
            LayerKind::Icon => new IconPainter($this->renditions, $this->format),
        };
    }
}
