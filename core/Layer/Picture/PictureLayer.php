<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Picture;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Timing\Rate;

/** A picture over the whole slide. */
final readonly class PictureLayer implements Layer
{
    public function __construct(
        public string $id,
        public string $asset,
        public Recipe $recipe = new Recipe(),
        public Fit $fit = Fit::Auto,
        public Framing $framing = new Framing(),
    ) {}

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->id('asset'),
            $in->has('recipe') ? Recipe::read($in->object('recipe')) : new Recipe(),
            $in->choice('fit', Fit::class, Fit::Auto),
            $in->has('framing') ? Framing::read($in->object('framing')) : new Framing(),
        );
    }

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): LayerKind
    {
        return LayerKind::Picture;
    }

    public function asset(): string
    {
        return $this->asset;
    }

    public function plan(LayerContext $context): ?PlannedPicture
    {
        $picture = $context->assets[$this->asset] ?? null;
        if (!$picture instanceof Picture) {
            return null;
        }
        $ratio = $this->recipe->ratio($picture);
        $form = Framer::isWhole($this->fit, $ratio, $context->shape) ? Form::Whole : Form::Full;

        return new PlannedPicture(
            $this->id,
            new Rendition($this->asset, $this->recipe, $form),
            Framer::move($this->fit, $this->framing, $ratio, $context->shape, Rate::seconds($context->frames), $context->slide),
        );
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'asset' => $this->asset,
            'recipe' => $this->recipe->toArray(), 'fit' => $this->fit->value, 'framing' => $this->framing->toArray(),
        ];
    }
}
