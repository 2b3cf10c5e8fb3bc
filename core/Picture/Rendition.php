<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

/** A picture made ready to be shown: by its asset, what is done to it, and its form. */
final readonly class Rendition
{
    public function __construct(public string $asset, public Recipe $recipe = new Recipe(), public Form $form = Form::Full) {}

    /** Its name among the renditions of one asset. */
    public function name(): string
    {
        return implode('-', array_filter([$this->form->value, $this->recipe->key()]));
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
