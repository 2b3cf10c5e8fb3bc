<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\ShowsAsset;

/**
 * An icon in a box of the slide (shares of its width and height), turned about its middle: a path on a ground of 24 by 24, filled
 * with a colour; a drawing of the set, in its own colours or tinted; or a picture of the story's own.
 */
final readonly class PlannedIcon implements PlannedLayer, ShowsAsset
{
    public const GROUND = 24;

    /**
     * @param string      $name of the drawing
     * @param string|null $path SVG path data; null for a drawing of the set
     * @param string      $colour #rrggbb of the path
     * @param int         $turn degrees clockwise
     * @param Tint|null   $tint of a drawing of the set; null for its own colours
     * @param Picture|null $picture in the place of both
     */
    public function __construct(
        private string $id,
        public string $name,
        public ?string $path,
        public string $colour,
        public Frame $box,
        private Envelope $opacity,
        public int $turn = 0,
        public ?Tint $tint = null,
        public ?Picture $picture = null,
    ) {}

    /** @return string the file that shows the picture: with what is behind it seen through, where it has such parts */
    public function file(): string
    {
        return true === $this->picture?->transparent ? 'cutout.png' : 'full.jpg';
    }

    public function id(): string
    {
        return $this->id;
    }

    public function asset(): ?string
    {
        return $this->picture?->id;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Icon;
    }

    /** @return array<string, mixed> */
    private function drawn(): array
    {
        return [
            ...match (true) {
                null !== $this->picture => ['asset' => $this->picture->id, 'file' => $this->file()],
                null !== $this->path => ['path' => $this->path, 'colour' => $this->colour],
                default => ['name' => $this->name],
            },
            'box' => $this->box->toArray(),
            ...0 === $this->turn ? [] : ['turn' => $this->turn],
            ...null === $this->tint ? [] : ['tint' => $this->tint->toArray()],
        ];
    }

    public function hash(): string
    {
        return substr(hash('sha256', json_encode($this->drawn(), \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return true;
    }

    public function opacity(): Envelope
    {
        return $this->opacity;
    }

    public function seen(int $frame): float
    {
        return $this->opacity()->at($frame);
    }

    public function envelopes(): array
    {
        return [$this->opacity()];
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'kind' => $this->kind()->value, ...$this->drawn(), 'opacity' => $this->opacity->toArray()];
    }
}
