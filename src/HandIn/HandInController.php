<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\FilmVoter;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\HandIn\HandingIn;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Timing\Rate;
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
    public function __construct(private EntityManagerInterface $entities, private PlanMaker $plans, private Members $members) {}

    #[Route('/api/assignments/{id}/handins', name: 'hand_in', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::HAND_IN, 'assignment')]
    public function handIn(
        #[MapEntity]
        Assignment $assignment,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        FilmHandedIn $body,
        AuthorizationCheckerInterface $access,
    ): JsonResponse {
        $film = Uuid::isValid($body->film) ? $this->entities->find(FilmRecord::class, $body->film) : null;
        if (null === $film || !$access->isGranted(FilmVoter::OWN, $film)) {
            throw new AccessDeniedException();
        }
        $handIn = $this->entities->wrapInTransaction(function () use ($assignment, $user, $film): HandIn {
            // Two hand-ins of a story at once: one after the other.
            $this->entities->refresh($film->story, LockMode::PESSIMISTIC_WRITE);
            $earlier = $this->entities->getRepository(HandIn::class)->findBy(['story' => $film->story], ['number' => 'DESC']);
            $last = $earlier[0] ?? null;
            if (null !== $film->story->deletedAt) {
                throw new AccessDeniedException();
            }
            $refusal = HandingIn::refusal($film->state, \in_array($film, array_column($earlier, 'film'), true), $last?->state);
            if (null !== $refusal) {
                throw Refusals::said($refusal);
            }
            $handIn = new HandIn($assignment, $user, $film->story, $film, ($last->number ?? 0) + 1);
            $this->entities->persist($handIn);

            return $handIn;
        });

        return new JsonResponse($handIn->toArray(), 201);
    }

    /** What was handed in to an assignment, as its teacher sees it: the newest of each story. */
    #[Route('/api/assignments/{id}', name: 'assignment', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function assignment(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $newest = [];
        foreach ($this->entities->getRepository(HandIn::class)->findBy(
            ['assignment' => $assignment],
            ['handedInAt' => 'DESC', 'number' => 'DESC'],
        ) as $handIn) {
            $newest[(string) $handIn->story->id] ??= $handIn->toArray();
        }
        $students = $this->members->of($assignment->classroom);

        return new JsonResponse([
            'assignment' => $assignment->toArray(),
            'students' => array_map(static fn(User $u): string => $u->firstName, $students),
            'handIns' => array_values($newest),
        ]);
    }

    /** One hand-in with the film's slides, so that remarks stand beside them, and the earlier ones of the same story. */
    #[Route('/api/handins/{id}', name: 'read_hand_in', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::READ, 'handIn')]
    public function read(#[MapEntity] HandIn $handIn): JsonResponse
    {
        return new JsonResponse($this->whole($handIn));
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

    #[Route('/api/handins/{id}/remarks', name: 'remark', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function remark(
        #[MapEntity]
        HandIn $handIn,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        NewRemark $new,
    ): JsonResponse {
        $frame = Rate::frames(min($new->seconds, $handIn->film->seconds));
        $slides = array_filter($this->plans->plan($handIn->film->story())->scenes, static fn(Scene $s): bool => $s->start <= $frame);
        $at = end($slides);
        $this->whileRemarked($handIn, function () use ($handIn, $user, $frame, $at, $new): void {
            $this->entities->persist(new Remark($handIn, $user, $frame, false === $at ? '' : $at->id, $new->text));
        });

        return new JsonResponse($this->whole($handIn), 201);
    }

    #[Route('/api/handins/{id}/remarks/{remark}', name: 'drop_remark', methods: ['DELETE'], requirements: ['id' => Requirement::UUID, 'remark' => Requirement::UUID])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function dropRemark(#[MapEntity] HandIn $handIn, string $remark): JsonResponse
    {
        $found = $this->entities->getRepository(Remark::class)->findOneBy([
            'id' => $remark,
            'handIn' => $handIn,
        ]) ?? throw new NotFoundHttpException();
        $this->whileRemarked($handIn, fn() => $this->entities->remove($found));

        return new JsonResponse($this->whole($handIn));
    }

    #[Route('/api/handins/{id}/answer', name: 'answer', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function answer(#[MapEntity] HandIn $handIn, #[MapRequestPayload(acceptFormat: 'json')] Answer $answer): JsonResponse
    {
        $this->onItsOwn($handIn, static function () use ($handIn, $answer): void {
            $next = $handIn->state->answered($answer->state, $answer->answer);
            $handIn->state = $next instanceof HandInState ? $next : throw Refusals::said($next);
            $handIn->answer = $answer->answer;
            $handIn->answeredAt = now();
        });

        return new JsonResponse($this->whole($handIn));
    }

    /** @param \Closure(): void $change */
    private function whileRemarked(HandIn $handIn, \Closure $change): void
    {
        $this->onItsOwn($handIn, static function () use ($handIn, $change): void {
            $refusal = $handIn->state->remarkRefusal();
            null === $refusal ? $change() : throw Refusals::said($refusal);
        });
    }

    /**
     * Two answers at once: one after the other.
     *
     * @param \Closure(): void $change
     */
    private function onItsOwn(HandIn $handIn, \Closure $change): void
    {
        $this->entities->wrapInTransaction(function () use ($handIn, $change): void {
            $this->entities->refresh($handIn, LockMode::PESSIMISTIC_WRITE);
            $change();
        });
        $this->entities->refresh($handIn);
    }

    /** @return array<string, mixed> */
    private function whole(HandIn $handIn): array
    {
        $plan = $this->plans->plan($handIn->film->story());
        $all = $this->entities->getRepository(HandIn::class)->findBy(['story' => $handIn->story], ['number' => 'ASC']);

        return $handIn->toArray() + [
            'assignment' => $handIn->assignment->toArray(),
            'slides' => array_map(static fn(Scene $s): array => [
                'id' => $s->id, 'name' => $s->name, 'start' => Rate::seconds($s->start), 'end' => Rate::seconds($s->end),
                'comesIn' => Rate::seconds($s->comesIn), 'voice' => $plan->spoken($s->id),
            ], $plan->scenes),
            'credits' => $plan->credits,
            'all' => array_map(
                static fn(HandIn $h): array => ['id' => (string) $h->id, 'number' => $h->number, 'state' => $h->state->value],
                $all,
            ),
        ];
    }
}
