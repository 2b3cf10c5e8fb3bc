<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\LiesInCell;
use Rhapsode\Core\Layer\Presence;

/**
 * A sign that points at something, or marks it; a small drawing of the set; or a small picture of the story's own. $size is a share
 * of the slide's shorter side, $turn degrees clockwise, $at where its middle was put by hand: it is at no place then.
 */
final readonly class IconLayer implements Layer
{
    use LiesInCell;

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
        public ?string $asset = null,
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
            $in->idOrNull('asset'),
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
        return null === $this->asset && null === IconName::tryFrom($this->name);
    }

    public static function fresh(): array
    {
        return [];
    }

    /** A place that is chosen is where it is then, wherever it was put before; and so is what it shows. */
    public function following(Layer $before, array $told): self
    {
        $icon = isset($told['name']) && !isset($told['asset']) ? $this->with(asset: null) : $this;

        return isset($told['place']) && !isset($told['at']) ? $icon->with(at: null) : $icon;
    }

    public function scripted(\Closure $place): self
    {
        return $this->with(presence: $this->presence->moved($place));
    }

    public function kind(): LayerKind
    {
        return LayerKind::Icon;
    }

    public function asset(): ?string
    {
        return $this->asset;
    }

    /** The same icon, showing a picture of the story's own. */
    public function showing(string $asset): self
    {
        return $this->with(asset: $asset);
    }

    public function plan(LayerContext $context): array
    {
        $scheme = $context->typesetter->scheme;
        $own = null === $this->asset ? null : $context->assets[$this->asset] ?? null;
        if (null !== $this->asset && !$own instanceof Picture) {
            return [];
        }

        return [new PlannedIcon(
            $this->id,
            $this->name,
            null === $own ? IconName::tryFrom($this->name)?->path() : null,
            $this->colour->hex($scheme),
            self::holding($this->box($context), $own, $context),
            $this->presence->inTurn($context->turn($this->cell))->opacity($context),
            $this->turn,
            $this->isOfTheSet() ? $this->colour->tint($scheme) : null,
            $own,
        )];
    }

    /** What a picture takes of the box: all of it is seen, as large as that lets it be. */
    private static function holding(Frame $box, ?Picture $picture, LayerContext $context): Frame
    {
        if (null === $picture) {
            return $box;
        }
        $ratio = $picture->width / $picture->height / ($context->shape->ratio() * $box->width / $box->height);
        [$width, $height] = [$box->width * min(1.0, $ratio), $box->height * min(1.0, 1 / $ratio)];

        return Frame::about($box->x + $box->width / 2, $box->y + $box->height / 2, $width, $height);
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
            ...null === $this->asset ? [] : ['asset' => $this->asset],
        ];
    }
}
