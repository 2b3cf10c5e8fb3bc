<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Spoken;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\Assets;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\HandInVoter;
use Rhapsode\App\HandIn\Refusals;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Remarks that are spoken. */
final readonly class SpokenController
{
    public function __construct(private EntityManagerInterface $entities, private Assets $assets, private Store $store) {}

    /** Begins to send what was spoken; its parts go where those of all that comes in go. */
    #[Route('/api/handins/{id}/spoken', name: 'begin_spoken', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::REMARK, 'handIn')]
    public function begin(#[MapEntity] HandIn $handIn, #[CurrentUser] User $user): JsonResponse
    {
        $refusal = $handIn->state->remarkRefusal();
        if (null !== $refusal) {
            throw Refusals::said($refusal);
        }
        $asset = $this->assets->begin($user, $handIn->id, Arriving::Voice, 'remark');

        return new JsonResponse($asset->toArray() + ['parts' => []], 201);
    }

    #[Route('/api/handins/{id}/remarks/{remark}/voice.flac', name: 'hear_remark', methods: ['GET'], requirements: ['id' => Requirement::UUID, 'remark' => Requirement::UUID])]
    #[IsGranted(HandInVoter::HEAR, 'handIn')]
    public function hear(#[MapEntity] HandIn $handIn, string $remark): Response
    {
        $found = $this->entities->getRepository(Remark::class)->findOneBy(['id' => $remark, 'handIn' => $handIn]);
        $spoken = $found->spoken ?? throw new NotFoundHttpException();

        return Media::of($this->store, AssetFiles::voice((string) $spoken->id), 'audio/flac');
    }
}
