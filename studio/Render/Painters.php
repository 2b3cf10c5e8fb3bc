<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\PlannedKind;

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

    public function of(PlannedKind $kind): LayerPainter
    {
        return $this->made[$kind->value] ??= match ($kind) {
            PlannedKind::Picture => new PicturePainter($this->renditions, $this->shape, $this->format),
            PlannedKind::Words => new WordsPainter($this->renditions, $this->format),
            PlannedKind::Pointer => new PointerPainter($this->renditions, $this->format),
            PlannedKind::Icon => new IconPainter($this->renditions, $this->format),
        };
    }
}
