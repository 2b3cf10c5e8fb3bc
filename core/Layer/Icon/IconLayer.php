<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Presence;

/**
 * A sign that points at something, or marks it, or a small drawing of the set. $size is a share of the slide's shorter side, $turn
 * degrees clockwise, $at where its middle was put by hand: it is at no place then.
 */
final readonly class IconLayer implements Layer
{
    /** As much of a cell's shorter side it takes. */
    private const IN_CELL = 0.6;

    public function __construct(
        public string $id,
        public string $name = 'star',
        public IconColour $colour = IconColour::Gold,
        public Spot $place = Spot::TopRight,
        public float $size = 0.2,
        public Presence $presence = new Presence(),
        public ?int $cell = null,
        public int $turn = 0,
        public ?Point $at = null,
    ) {}

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            self::named($in->text('name', 80, 'star')),
            $in->choice('colour', IconColour::class, IconColour::Gold),
            $in->choice('place', Spot::class, Spot::TopRight),
            $in->number('size', Limits::LEAST_ICON, Limits::MOST_ICON, 0.2),
            Presence::read($in)->plain(),
            $in->wholeOrNull('cell', 0, Limits::CELLS - 1),
            $in->whole('turn', -Limits::TURNED, Limits::TURNED, 0),
            $in->has('at') ? Point::read($in->object('at')) : null,
        );
    }

    /** @throws Malformed */
    private static function named(string $name): string
    {
        return 1 === preg_match(IconSet::NAME, $name) ? $name : throw new Malformed('document.unknown-icon');
    }

    /** Whether it is a drawing of the set, and not one of our own signs. */
    public function isOfTheSet(): bool
    {
        return null === IconName::tryFrom($this->name);
    }

    public static function fresh(): array
    {
        return [];
    }

    /** A place that is chosen is where it is then, wherever it was put before. */
    public function following(Layer $before, array $told): self
    {
        return isset($told['place']) && !isset($told['at']) ? $this->with(at: null) : $this;
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
        $scheme = $context->typesetter->scheme;

        return [new PlannedIcon(
            $this->id,
            $this->name,
            IconName::tryFrom($this->name)?->path(),
            $this->colour->hex($scheme),
            $this->box($context),
            $this->presence->inTurn($context->turn($this->cell))->opacity($context),
            $this->turn,
            $this->isOfTheSet() ? $this->colour->tint($scheme) : null,
        )];
    }

    /** In a cell it is as large as that lets it be. */
    private function box(LayerContext $context): Frame
    {
        $cell = $context->box($this->cell);
        if (null === $cell) {
            $box = $this->place->box($context->shape, $this->size);

            return null === $this->at ? $box : Frame::about($this->at->x, $this->at->y, $box->width, $box->height);
        }
        $ratio = $context->shape->ratio();
        $side = self::IN_CELL * min($cell->width * $ratio, $cell->height);

        return Frame::about($cell->x + $cell->width / 2, $cell->y + $cell->height / 2, $side / $ratio, $side);
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'name' => $this->name, 'colour' => $this->colour->value,
            'place' => $this->place->value, 'size' => $this->size, ...$this->presence->toArray(),
            ...null === $this->cell ? [] : ['cell' => $this->cell],
            ...0 === $this->turn ? [] : ['turn' => $this->turn],
            ...null === $this->at ? [] : ['at' => $this->at->toArray()],
        ];
    }
}
