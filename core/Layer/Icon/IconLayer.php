<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Timing\Rate;

/** A sign that points at something, or marks it. $size is a share of the slide's shorter side; $comes and $goes seconds of the slide. */
final readonly class IconLayer implements Layer
{
    public function __construct(
        public string $id,
        public IconName $name = IconName::Star,
        public IconColour $colour = IconColour::Gold,
        public Spot $place = Spot::TopRight,
        public float $size = 0.2,
        public ?float $comes = null,
        public ?float $goes = null,
    ) {}

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->choice('name', IconName::class, IconName::Star),
            $in->choice('colour', IconColour::class, IconColour::Gold),
            $in->choice('place', Spot::class, Spot::TopRight),
            $in->number('size', 0.05, 0.8, 0.2),
            $in->numberOrNull('comes', 0, Limits::MOST_STAY),
            $in->numberOrNull('goes', 0, Limits::MOST_STAY),
        );
    }

    public static function fresh(): array
    {
        return [];
    }

    public function following(Layer $before, array $told): self
    {
        return $this;
    }

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): LayerKind
    {
        return LayerKind::Icon;
    }

    public function asset(): ?string
    {
        return null;
    }

    public function plan(LayerContext $context): PlannedIcon
    {
        return new PlannedIcon(
            $this->id,
            $this->name->path(),
            $this->colour->hex(),
            $this->place->box($context->shape, $this->size),
            Envelope::comingAndGoing($this->comes, $this->goes, $context->frames, Rate::FPS),
        );
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'name' => $this->name->value, 'colour' => $this->colour->value,
            'place' => $this->place->value, 'size' => $this->size, 'comes' => $this->comes, 'goes' => $this->goes,
        ];
    }
}
