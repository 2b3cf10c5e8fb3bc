<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

/** A picture made ready to be shown: by its asset, what is done to it, its form, and the colour #rrggbb that it lies on if it is whole and not on itself. */
final readonly class Rendition
{
    public function __construct(
        public string $asset,
        public Recipe $recipe = new Recipe(),
        public Form $form = Form::Full,
        public ?string $ground = null,
    ) {}

    /** Its name among the renditions of one asset. */
    public function name(): string
    {
        return implode('-', array_filter([$this->form->value, $this->groundKey(), $this->recipe->key()]));
    }

    /** Names the colour of its ground, for its file; empty where there is none. */
    public function groundKey(): string
    {
        return null === $this->ground ? '' : 'g' . substr($this->ground, 1);
    }

    /** By what its light is known: turned, a picture's light is another. */
    public function lightKey(): string
    {
        return trim($this->asset . ' ' . $this->recipe->key());
    }

    /** @return array{asset: string, name: string} */
    public function toArray(): array
    {
        return ['asset' => $this->asset, 'name' => $this->name()];
    }
}
