<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Presence;

/** A sign that points at something, or marks it. $size is a share of the slide's shorter side. */
final readonly class IconLayer implements Layer
{
    /** As much of a cell's shorter side it takes. */
    private const IN_CELL = 0.6;

    public function __construct(
        public string $id,
        public IconName $name = IconName::Star,
        public IconColour $colour = IconColour::Gold,
        public Spot $place = Spot::TopRight,
        public float $size = 0.2,
        public Presence $presence = new Presence(),
        public ?int $cell = null,
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
            $in->wholeOrNull('cell', 0, Limits::CELLS - 1),
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
        return $this->with(presence: $this->presence->moved($place));
    }

    private function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    public function cell(): ?int
    {
        return $this->cell;
    }

    public function inCell(?int $cell): self
    {
        return $this->with(cell: $cell);
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
            $this->box($context),
            $this->presence->inTurn($context->turn($this->cell))->opacity($context),
        )];
    }

    /** In a cell it is as large as that lets it be. */
    private function box(LayerContext $context): Frame
    {
        $cell = $context->box($this->cell);
        if (null === $cell) {
            return $this->place->box($context->shape, $this->size);
        }
        $ratio = $context->shape->ratio();
        $side = self::IN_CELL * min($cell->width * $ratio, $cell->height);

        return Frame::about($cell->x + $cell->width / 2, $cell->y + $cell->height / 2, $side / $ratio, $side);
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'name' => $this->name->value, 'colour' => $this->colour->value,
            'place' => $this->place->value, 'size' => $this->size, ...$this->presence->toArray(),
            ...null === $this->cell ? [] : ['cell' => $this->cell],
        ];
    }
}
