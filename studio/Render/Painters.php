<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Plan\Scene;

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

    private ?MosaicPainter $mosaics = null;

    /**
     * What gives the frames of a part of a scene, by the frame of the film; null where it stands still.
     *
     * @return (\Closure(int): string)|null
     */
    public function frames(Mosaic|PlannedLayer $part, Scene $scene): ?\Closure
    {
        return match (true) {
            !self::isSent($part) => null,
            $part instanceof Mosaic => $this->mosaics()->frames($part, $scene),
            default => $this->of($part->kind())->frames($part, $scene),
        };
    }

    /** Whether its frames are sent one by one: what else moves is laid on them as it is painted. */
    public static function isSent(Mosaic|PlannedLayer $part): bool
    {
        return !$part->isStill() && ($part instanceof Mosaic || PlannedKind::Picture === $part->kind());
    }

    public function paint(Mosaic|PlannedLayer $part, ScenePainting $on, Scene $scene, ?string $moving): void
    {
        $part instanceof Mosaic
            ? $this->mosaics()->paint($part, $on, $scene, $moving)
            : $this->of($part->kind())->paint($part, $on, $moving);
    }

    private function mosaics(): MosaicPainter
    {
        return $this->mosaics ??= new MosaicPainter($this->renditions, $this->shape, $this->format);
    }

    private function of(PlannedKind $kind): LayerPainter
    {
        return $this->made[$kind->value] ??= match ($kind) {
            PlannedKind::Picture => new PicturePainter($this->renditions, $this->shape, $this->format),
            PlannedKind::Backdrop => new BackdropPainter($this->renditions, $this->shape, $this->format),
            PlannedKind::Words => new WordsPainter($this->renditions, $this->format),
            PlannedKind::Roll => new RollPainter($this->renditions, $this->format),
            PlannedKind::Pointer => new PointerPainter($this->renditions, $this->format),
            PlannedKind::Pointing => new PointingPainter($this->renditions, $this->shape, $this->format),
            PlannedKind::Icon => new IconPainter($this->renditions, $this->format),
            PlannedKind::Drift => new DriftPainter($this->renditions, $this->format),
            PlannedKind::Mat => new MatPainter($this->renditions, $this->format),
        };
    }
}
