<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Presence;

/** A sign that points at something, or marks it. $size is a share of the slide's shorter side. */
final readonly class IconLayer implements Layer
{
    public function __construct(
        public string $id,
        public IconName $name = IconName::Star,
        public IconColour $colour = IconColour::Gold,
        public Spot $place = Spot::TopRight,
        public float $size = 0.2,
        public Presence $presence = new Presence(),
    ) {}

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->choice('name', IconName::class, IconName::Star),
            $in->choice('colour', IconColour::class, IconColour::Gold),
            $in->choice('place', Spot::class, Spot::TopRight),
            $in->number('size', 0.05, 0.8, 0.2),
            Presence::read($in)->plain(),
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

    public function scripted(\Closure $place): self
    {
        return new self($this->id, $this->name, $this->colour, $this->place, $this->size, $this->presence->moved($place));
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

    public function plan(LayerContext $context): array
    {
        return [new PlannedIcon(
            $this->id,
            $this->name->path(),
            $this->colour->hex(),
            $this->place->box($context->shape, $this->size),
            $this->presence->opacity($context),
        )];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'name' => $this->name->value, 'colour' => $this->colour->value,
            'place' => $this->place->value, 'size' => $this->size, ...$this->presence->toArray(),
        ];
    }
}
