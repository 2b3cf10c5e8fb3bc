<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Rhapsode\App\Shared\Problem;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Pointing\Hand;
use Rhapsode\Core\Sound\Steps;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What comes in, part by part. Where it goes begins it. */
final readonly class AssetController
{
    public function __construct(private Assets $assets) {}

    #[Route('/api/assets/{id}', name: 'asset', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssetRecord::OWN, 'asset')]
    public function show(#[MapEntity] AssetRecord $asset): JsonResponse
    {
        return new JsonResponse($this->whole($asset));
    }

    #[Route('/api/assets/{id}', name: 'give_up_asset', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssetRecord::OWN, 'asset')]
    public function giveUp(#[MapEntity] AssetRecord $asset): Response
    {
        $this->assets->giveUp($asset);

        return new Response('', 204);
    }

    #[Route('/api/assets/{id}/parts/{number}', name: 'asset_part', methods: ['PUT'], requirements: ['id' => Requirement::UUID, 'number' => '\d{1,5}'])]
    #[IsGranted(AssetRecord::OWN, 'asset')]
    public function part(#[MapEntity] AssetRecord $asset, int $number, Request $request): Response
    {
        $bytes = $request->getContent();
        if ('' === $bytes || \strlen($bytes) > Assets::PART_BYTES || $number >= Assets::MOST_PARTS) {
            return new Problem(422, 'file.part-size');
        }
        if ($this->assets->bytes($asset) + \strlen($bytes) > $asset->kind->mostBytes()) {
            return self::tooLarge($asset->kind);
        }
        $this->assets->receive($asset, $number, $bytes);

        return new Response('', 204);
    }

    /** All parts are here: it is made ready when its turn comes, and the page asks how far it is. */
    #[Route('/api/assets/{id}/finish', name: 'finish_asset', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssetRecord::OWN, 'asset')]
    public function finish(#[MapEntity] AssetRecord $asset, #[MapRequestPayload(acceptFormat: 'json')] AllParts $all): JsonResponse
    {
        $steps = null === $all->steps ? null : Steps::read(Fields::of(['steps' => $all->steps]));
        $pointing = Hand::read(Fields::of(['pointing' => $all->pointing]), 'pointing');
        $missing = $this->assets->finish($asset, $all->parts, $steps, $pointing, $all->recorded);

        return [] === $missing
            ? new JsonResponse($asset->toArray(), 202)
            : new Problem(409, 'file.parts-missing', ['missing' => $missing]);
    }

    private static function tooLarge(Arriving $kind): Problem
    {
        return new Problem(413, $kind->tooLarge());
    }

    /** @return array<string, mixed> with the numbers of its parts that are here */
    private function whole(AssetRecord $asset): array
    {
        return $asset->toArray() + ['parts' => $this->assets->parts($asset)];
    }
}
