<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\FilmVoter;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\HandIn\HandingIn;
use Rhapsode\Core\HandIn\HandInRefusal;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Picture\Rendition;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

final readonly class HandInController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Standing $standing,
        private HandInChanges $changes,
        private HandInView $view,
        private AuthorizationCheckerInterface $access,
    ) {}

    #[Route('/api/assignments/{id}/handins', name: 'hand_in', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::HAND_IN, 'assignment')]
    public function handIn(
        #[MapEntity]
        Assignment $assignment,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        FilmHandedIn $body,
    ): JsonResponse {
        $film = Uuid::isValid($body->film) ? $this->entities->find(FilmRecord::class, $body->film) : null;
        if (null === $film || !$this->access->isGranted(FilmVoter::OWN, $film)) {
            throw new AccessDeniedException();
        }
        $handIn = $this->entities->wrapInTransaction(function () use ($assignment, $user, $film): HandIn {
            // Two hand-ins of a story at once: one after the other.
            $this->entities->refresh($film->story, LockMode::PESSIMISTIC_WRITE);
            $earlier = $this->entities->getRepository(HandIn::class)->findBy(['story' => $film->story], ['number' => 'DESC']);
            if (null !== $film->story->deletedAt) {
                throw new AccessDeniedException();
            }
            $this->entities->refresh($assignment);
            $before = array_values(array_filter($earlier, static fn(HandIn $one): bool => $one->film === $film))[0] ?? null;
            $last = $this->standing->last($film->story)?->state;
            $refusal = HandingIn::refusal($film->state, $film->plays(), $before?->state, $last, null !== $assignment->closedAt);
            if (null !== $refusal) {
                throw Refusals::said($refusal);
            }
            $handIn = $before ?? new HandIn($assignment, $user, $film->story, $film, ($earlier[0]->number ?? 0) + 1);
            // What was taken back is handed in anew: to this task, and behind what came meanwhile.
            $handIn->assignment = $assignment;
            $handIn->number = $before === ($earlier[0] ?? null) ? $handIn->number : ($earlier[0]->number ?? 0) + 1;
            $handIn->state = HandInState::HandedIn;
            $handIn->handedInAt = now();
            $this->entities->persist($handIn);

            return $handIn;
        });

        return new JsonResponse($handIn->toArray(), 201);
    }

    /** One hand-in with the film's slides, so that remarks stand beside them, and the earlier ones of the same story. */
    #[Route('/api/handins/{id}', name: 'read_hand_in', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::READ, 'handIn')]
    public function read(#[MapEntity] HandIn $handIn): JsonResponse
    {
        return new JsonResponse($this->view->whole($handIn));
    }

    /** Whoever teaches the class looks at it: from then on it is not taken back. */
    #[Route('/api/handins/{id}/open', name: 'open_hand_in', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function open(#[MapEntity] HandIn $handIn): JsonResponse
    {
        $this->changes->become($handIn, static fn(HandInState $now): HandInState|HandInRefusal => $now->opened());

        return new JsonResponse($this->view->whole($handIn));
    }

    /** Its maker takes it back. */
    #[Route('/api/handins/{id}/withdraw', name: 'withdraw', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::WITHDRAW, 'handIn')]
    public function withdraw(#[MapEntity] HandIn $handIn): JsonResponse
    {
        $this->changes->become($handIn, static fn(HandInState $now): HandInState|HandInRefusal => $now->withdrawn());

        return new JsonResponse($this->view->whole($handIn));
    }

    #[Route('/api/handins/{id}/cover.jpg', name: 'hand_in_cover', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::READ, 'handIn')]
    public function cover(#[MapEntity] HandIn $handIn, AssetFiles $files, Store $store): Response
    {
        $cover = $handIn->film->story()->cover() ?? throw new NotFoundHttpException();

        return Media::of(
            $store,
            $files->rendition(new Rendition($cover->asset, $cover->recipe), Shape::Wide, small: true) ?? throw new NotFoundHttpException(),
            'image/jpeg',
        );
    }
}
