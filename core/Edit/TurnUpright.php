<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** Turns pictures that are known to lie on their side or their head, and have not been turned. */
final readonly class TurnUpright implements Edit
{
    /** @param list<string> $slides */
    public function __construct(private array $slides) {}

    public function apply(Story $story): Story
    {
        return OnSlides::change($story, $this->slides, static function (Slide $slide) use ($story): Slide {
            foreach ($slide->pictures() as $layer) {
                $picture = $story->picture($layer->asset);
                if (null !== $picture && $layer->liesSideways($picture)) {
                    $turned = ['recipe' => ['turn' => $picture->sideways]];
                    $slide = $slide->withLayer(SetLayer::changed(LayerKind::Picture, $layer->id, $layer, $turned));
                }
            }

            return $slide;
        });
    }
}
