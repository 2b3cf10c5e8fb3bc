<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Framing\Placing;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\LiesInCell;
use Rhapsode\Core\Layer\Presence;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Picture\Ground;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Timing\Rate;

/** A picture over the whole slide, or in a cell of it. $part is what is shown of one that moves; null for all of it. */
final readonly class PictureLayer implements Layer
{
    use LiesInCell;

    public Ground $ground;

    public function __construct(
        public string $id,
        public string $asset,
        public Recipe $recipe = new Recipe(),
        public Fit $fit = Fit::Auto,
        public Framing $framing = new Framing(),
        ?Ground $ground = null,
        public ?Part $part = null,
        public ?int $cell = null,
        public Presence $presence = new Presence(),
    ) {
        $this->ground = $ground ?? Ground::blurred();
    }

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->id('asset'),
            $in->has('recipe') ? Recipe::read($in->object('recipe')) : new Recipe(),
            $in->choice('fit', Fit::class, Fit::Auto),
            $in->has('framing') ? Framing::read($in->object('framing')) : new Framing(),
            Ground::read($in, 'ground'),
            $in->has('part') ? Part::read($in->object('part')) : null,
            $in->wholeOrNull('cell', 0, Limits::CELLS - 1),
            Presence::read($in)->plain(),
        );
    }

    public static function fresh(): array
    {
        return [];
    }

    /** What was cropped turns with the picture, and the look goes on to what it went to before, where that is not told anew. */
    public function following(Layer $before, array $told): self
    {
        if (!$before instanceof self) {
            return $this;
        }
        $recipe = $this->recipe;
        $changes = \is_array($told['recipe'] ?? null) ? $told['recipe'] : [];
        if ($recipe->turn !== $before->recipe->turn && !\array_key_exists('crop', $changes)) {
            $recipe = new Recipe(
                $recipe->turn,
                $recipe->straighten,
                $before->recipe->turnedCrop($recipe->turn),
                $recipe->tone,
                $recipe->eyes,
            );
        }
        $framing = \array_key_exists('framing', $told) || $this->asset !== $before->asset || $recipe->liesAs($before->recipe)
            ? $this->framing
            : $this->framing->withFrames(static fn(Frame $frame): Frame => $before->recipe->carried($frame, $recipe));

        // A part of one clip is none of another.
        $part = $this->asset === $before->asset || \array_key_exists('part', $told) ? $this->part : null;

        return $this->with(recipe: $recipe, framing: $framing, part: $part);
    }

    public function scripted(\Closure $place): self
    {
        return $this->with(presence: $this->presence->moved($place), framing: $this->framing->withStops(
            static fn(Stop $stop): Stop => null === $stop->word ? $stop : Stop::atWord($stop->frame, $place($stop->word)),
        ));
    }

    public function kind(): LayerKind
    {
        return LayerKind::Picture;
    }

    public function asset(): string
    {
        return $this->asset;
    }

    public function plan(LayerContext $context): array
    {
        $picture = $context->assets[$this->asset] ?? null;
        if (!$picture instanceof Picture) {
            return [];
        }
        $cell = $context->box($this->cell);
        $ratio = $this->recipe->ratio($picture);
        $matters = $this->recipe->matters($picture);
        $room = $context->shape->ratio() * (null === $cell ? 1.0 : $cell->width / $cell->height);
        if (null === $cell) {
            return [$this->planned($context, $picture, $ratio, $room, $matters, null)];
        }
        // Shown whole it lies on the slide's own ground, in its own shape.
        $planned = Framer::isWhole($this->fit, $ratio, $room, $matters, Framer::MOST_LOST_IN_CELL)
            ? $this->with(fit: Fit::Fill, framing: new Framing(Motion::Still))
                ->planned($context, $picture, $ratio, $ratio, $matters, $cell->within(self::amid($ratio, $room)), true)
            : $this->with(fit: Fit::Fill)->planned($context, $picture, $ratio, $room, $matters, $cell);

        return [$planned, ...$context->mount->isSeen() && null !== $planned->box ? [
            new PlannedMat("{$this->id}-mat", $planned->box, $context->shape, $context->mount, $context->ground, $planned->opacity()),
        ] : []];
    }

    /**
     * @param float $room         width over height of what it is to fill
     * @param bool  $isInItsShape whether that has the picture's own shape
     */
    private function planned(
        LayerContext $context,
        Picture $picture,
        float $ratio,
        float $room,
        ?Matters $matters,
        ?Frame $box,
        bool $isInItsShape = false,
    ): PlannedPicture {
        $isWhole = Framer::isWhole($this->fit, $ratio, $room, $matters);
        $amid = $isWhole ? self::amid($ratio, $room) : Frame::all();
        $presence = $this->presence->inTurn($context->turn($this->cell));
        $clip = $picture->clip;
        $part = $this->part ?? new Part();

        return new PlannedPicture(
            $this->id,
            $this->rendition($isWhole ? Form::Whole : Form::Full, $context->ground),
            $this->move($context, $ratio, $room, $matters, null !== $clip),
            null === $matters || null !== $clip ? [] : self::heads($matters, $amid),
            null === $clip ? null : new PlannedClip(
                $clip,
                $part->from,
                $part->end($clip),
                $amid,
                $this->recipe,
                Rate::frames($presence->from($context->moments) ?? 0.0),
            ),
            $box,
            $presence->opacity($context),
            $isWhole || $isInItsShape,
        );
    }

    /** @return list<Frame> where heads lie in a rendition of which the picture takes that part */
    private static function heads(Matters $matters, Frame $box): array
    {
        return array_map(static fn(Frame $head): Frame => $box->within($head), Placing::heads($matters));
    }

    /** Where a picture that is shown whole lies in its room. */
    private static function amid(float $ratio, float $room): Frame
    {
        $wider = $ratio / $room;

        return Frame::about(0.5, 0.5, min(1.0, $wider), min(1.0, 1 / $wider));
    }

    /**
     * A clip moves already: it is shown from one place, unless frames were set. What matters in it may be elsewhere a moment later.
     * What a picture does by itself is remembered: where it lies best is looked for in many places.
     */
    private function move(LayerContext $context, float $ratio, float $room, ?Matters $matters, bool $isClip): Move
    {
        $framing = $isClip && Motion::Auto === $this->framing->motion ? new Framing(Motion::Still) : $this->framing;
        $goesOn = $context->next === $this->asset;
        $move = fn(): Move => Framer::move(
            $this->fit,
            $framing,
            $ratio,
            $room,
            Rate::seconds($context->frames),
            // Each of several goes its own way.
            $context->slide . ($this->cell ?? ''),
            $context->moments,
            $matters,
            !$isClip && $goesOn,
            $context->typesetter->scheme->motion,
        );

        return null === $matters || Motion::Set === $framing->motion
            ? $move()
            : $context->memo->recall(
                $context->key('move', $this->fit, $framing->motion, $ratio, $room, $this->cell, $context->frames, $matters, $goesOn),
                $move,
            );
    }

    /** @param string $paper the ground of the style's titles, #rrggbb */
    private function rendition(Form $form, string $paper): Rendition
    {
        return new Rendition(
            $this->asset,
            $this->recipe,
            $form,
            Form::Whole === $form ? $this->ground->colour($paper) : null,
        );
    }

    /** Whether it is shown as its camera held it, which was not upright. */
    public function liesSideways(Picture $picture): bool
    {
        return 0 !== $picture->sideways && 0 === $this->recipe->turn;
    }

    /** Whether it shows, or would show, its picture whole on that colour. */
    public function liesOn(string $asset, ?string $colour, string $paper): bool
    {
        return $this->asset === $asset && $this->rendition(Form::Whole, $paper)->ground === $colour;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'asset' => $this->asset,
            'recipe' => $this->recipe->toArray(), 'fit' => $this->fit->value, 'framing' => $this->framing->toArray(),
        ] + (Ground::BLURRED === $this->ground->toString() ? [] : ['ground' => $this->ground->toString()])
            + (null === $this->part ? [] : ['part' => $this->part->toArray()])
            + (null === $this->cell ? [] : ['cell' => $this->cell])
            + (new Presence() == $this->presence ? [] : $this->presence->toArray());
    }
}
