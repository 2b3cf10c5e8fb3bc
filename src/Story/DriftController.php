<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Depth;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\DriftSheet;
use Rhapsode\Core\Layer\Drift\Strength;
use Rhapsode\Core\Layer\Drift\Way;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\EnumRequirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Weather and light, as core draws it. */
#[IsGranted('ROLE_USER')]
final readonly class DriftController
{
    /** Of one that is served: it is scaled to the page's. */
    private const HEIGHT = 720;

    #[Route('/api/drifts/{shape}/{kind}/{way}/{strength}/{depth}-{seed}.svg', name: 'drift', methods: ['GET'], requirements: [
        'shape' => new EnumRequirement(Shape::class),
        'kind' => new EnumRequirement(DriftKind::class),
        'way' => new EnumRequirement(Way::class),
        'strength' => new EnumRequirement(Strength::class),
        'depth' => new EnumRequirement(Depth::class),
        'seed' => '\d{1,4}',
    ])]
    public function show(Shape $shape, DriftKind $kind, Way $way, Strength $strength, Depth $depth, int $seed): SvgResponse
    {
        $height = $shape->height(self::HEIGHT);

        return new SvgResponse((new DriftSheet($shape, $kind, $way, $strength, $depth, $seed))->svg($shape->width($height), $height));
    }
}
