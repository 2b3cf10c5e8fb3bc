<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Picture\PlannedBackdrop;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\Scheme;
use Rhapsode\Core\Words\Wash;

/** The picture that lies on the ground of a story's style, under its titles and its credits. */
final readonly class Backdrop
{
    /** What is not measured may be anything. */
    private const ANY_LIGHT = [0.0, 1.0];

    private function __construct(private Picture $picture, private Shape $shape, private Scheme $scheme, private ?LightUnder $light) {}

    /**
     * @param array<string, LightUnder> $lights by Rendition::lightKey()
     *
     * @return self|null null where the style has none
     */
    public static function of(Story $story, Scheme $scheme, array $lights): ?self
    {
        $picture = null === $scheme->picture ? null : $story->picture($scheme->picture);
        if (null === $picture) {
            return null;
        }

        return new self($picture, $story->shape, $scheme, $lights[(new Rendition($picture->id))->lightKey()] ?? null);
    }

    /**
     * @param list<PlannedLayer> $layers of a slide of words alone
     *
     * @return list<PlannedLayer> the same on the picture, of which so much is seen as lets all of them be read
     */
    public function under(array $layers): array
    {
        $frame = Framer::base($this->picture->width / $this->picture->height, $this->shape->ratio(), $this->picture->matters);
        $light = $this->light?->under($frame) ?? self::ANY_LIGHT;
        $share = Wash::share([$this->scheme->ink, ...Inks::bare($layers)], $this->scheme->ground, $light);

        return 0.0 === $share ? $layers : [
            new PlannedBackdrop(new Rendition($this->picture->id), $frame, $this->scheme->ground, $share),
            ...$layers,
        ];
    }
}
