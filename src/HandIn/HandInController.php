<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\FilmState;
use Rhapsode\App\Film\FilmVoter;
use Rhapsode\App\Picture\PictureFiles;
use Rhapsode\App\Shared\Body;
use Rhapsode\App\Shared\Clock;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Problem;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\Core\Plan\PlannedSlide;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Timing\Rate;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

final readonly class HandInController
{
    public function __construct(private EntityManagerInterface $entities, private PlanMaker $plans) {}

    #[Route('/api/assignments/{id}/handins', name: 'hand_in', methods: ['POST'], requirements: ['id' => '[0-9a-f-]{36}'])]
    #[IsGranted(AssignmentVoter::HAND_IN, 'assignment')]
    public function handIn(#[MapEntity] Assignment $assignment, #[CurrentUser] User $user, Request $request, AuthorizationCheckerInterface $access): JsonResponse
    {
        $id = Body::of($request)->id('film');
        $film = Uuid::isValid($id) ? $this->entities->find(FilmRecord::class, $id) : null;
        if (null === $film || !$access->isGranted(FilmVoter::OWN, $film)) {
            throw new AccessDeniedException();
        }
        if (FilmState::Done !== $film->state) {
            return new Problem(409, 'This film is not made yet.');
        }
        $earlier = $this->entities->getRepository(HandIn::class)->findBy(['story' => $film->story], ['number' => 'DESC']);
        $last = $earlier[0] ?? null;
        if (null !== $last && $last->film === $film) {
            return new Problem(409, 'This very film is handed in already.');
        }
        if (null !== $last && HandInState::Accepted === $last->state) {
            return new Problem(409, 'This story was accepted already.');
        }
        $handIn = new HandIn($assignment, $user, $film->story, $film, ($last->number ?? 0) + 1);
        $this->entities->persist($handIn);
        $this->entities->flush();

        return new JsonResponse($handIn->toArray(), 201);
    }

    /** What was handed in to an assignment, as its teacher sees it: the newest of each story. */
    #[Route('/api/assignments/{id}', name: 'assignment', methods: ['GET'], requirements: ['id' => '[0-9a-f-]{36}'])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function assignment(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $newest = [];
        foreach ($this->entities->getRepository(HandIn::class)->findBy(['assignment' => $assignment], ['handedInAt' => 'DESC', 'number' => 'DESC']) as $handIn) {
            $newest[(string) $handIn->story->id] ??= $handIn->toArray();
        }
        $students = $this->entities->getRepository(User::class)->findBy(['classroom' => $assignment->classroom], ['firstName' => 'ASC']);

        return new JsonResponse([
            'assignment' => $assignment->toArray(),
            'students' => array_map(static fn(User $u): string => $u->firstName, $students),
            'handIns' => array_values($newest),
        ]);
    }

    /** One hand-in with the film's slides, so that remarks stand beside them, and the earlier ones of the same story. */
    #[Route('/api/handins/{id}', name: 'read_hand_in', methods: ['GET'], requirements: ['id' => '[0-9a-f-]{36}'])]
    #[IsGranted(HandInVoter::READ, 'handIn')]
    public function read(#[MapEntity] HandIn $handIn): JsonResponse
    {
        return new JsonResponse($this->whole($handIn));
    }

    #[Route('/api/handins/{id}/cover.jpg', name: 'hand_in_cover', methods: ['GET'], requirements: ['id' => '[0-9a-f-]{36}'])]
    #[IsGranted(HandInVoter::READ, 'handIn')]
    public function cover(#[MapEntity] HandIn $handIn, PictureFiles $files, Store $store): Response
    {
        foreach ($handIn->film->story()->slides as $slide) {
            if (null !== $slide->picture) {
                return Media::of($store, $files->key($slide->picture, 'thumb', Shape::Wide), 'image/jpeg');
            }
        }

        throw new NotFoundHttpException();
    }

    #[Route('/api/handins/{id}/remarks', name: 'remark', methods: ['POST'], requirements: ['id' => '[0-9a-f-]{36}'])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function remark(#[MapEntity] HandIn $handIn, #[CurrentUser] User $user, Request $request): JsonResponse
    {
        $body = Body::of($request);
        if (HandInState::HandedIn !== $handIn->state) {
            return new Problem(409, 'This film is answered already.');
        }
        $frame = Rate::frames($body->number('seconds', 0, $handIn->film->seconds + 1));
        $slides = array_filter($this->plans->plan($handIn->film->story())->slides, static fn(PlannedSlide $s): bool => $s->start <= $frame);
        $at = end($slides);
        $remark = new Remark($handIn, $user, $frame, false === $at ? '' : $at->id, trim($body->text('text', 1000, min: 1)));
        $this->entities->persist($remark);
        $this->entities->flush();
        $this->entities->refresh($handIn);

        return new JsonResponse($this->whole($handIn), 201);
    }

    #[Route('/api/handins/{id}/remarks/{remark}', name: 'drop_remark', methods: ['DELETE'], requirements: ['id' => '[0-9a-f-]{36}', 'remark' => '[0-9a-f-]{36}'])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function dropRemark(#[MapEntity] HandIn $handIn, string $remark): JsonResponse
    {
        $found = $this->entities->getRepository(Remark::class)->findOneBy(['id' => $remark, 'handIn' => $handIn]) ?? throw new NotFoundHttpException();
        if (HandInState::HandedIn !== $handIn->state) {
            return new Problem(409, 'This film is answered already.');
        }
        $this->entities->remove($found);
        $this->entities->flush();
        $this->entities->refresh($handIn);

        return new JsonResponse($this->whole($handIn));
    }

    #[Route('/api/handins/{id}/answer', name: 'answer', methods: ['POST'], requirements: ['id' => '[0-9a-f-]{36}'])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function answer(#[MapEntity] HandIn $handIn, Request $request): JsonResponse
    {
        $body = Body::of($request);
        $state = $body->choice('state', HandInState::class);
        if (HandInState::HandedIn === $state || HandInState::HandedIn !== $handIn->state) {
            return new Problem(409, 'This film is answered already.');
        }
        $said = trim($body->text('answer', 2000, ''));
        if (HandInState::Returned === $state && '' === $said) {
            return new Problem(422, 'Say in a sentence what should be mended.');
        }
        $handIn->state = $state;
        $handIn->answer = $said;
        $handIn->answeredAt = Clock::now();
        $this->entities->flush();

        return new JsonResponse($this->whole($handIn));
    }

    /** @return array<string, mixed> */
    private function whole(HandIn $handIn): array
    {
        $plan = $this->plans->plan($handIn->film->story());
        $all = $this->entities->getRepository(HandIn::class)->findBy(['story' => $handIn->story], ['number' => 'ASC']);

        return $handIn->toArray() + [
            'assignment' => $handIn->assignment->toArray(),
            'slides' => array_map(static fn(PlannedSlide $s): array => ['id' => $s->id, 'name' => $s->name, 'start' => Rate::seconds($s->start), 'end' => Rate::seconds($s->end), 'joinIn' => Rate::seconds($s->joinIn), 'voice' => null === $s->voice ? null : ['start' => $s->voice->at / Rate::SAMPLES, 'end' => $s->voice->end() / Rate::SAMPLES]], $plan->slides),
            'credits' => $plan->credits,
            'all' => array_map(static fn(HandIn $h): array => ['id' => (string) $h->id, 'number' => $h->number, 'state' => $h->state->value], $all),
        ];
    }
}
