<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\Spoken\Spoken;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\HandIn\Mark;
use Rhapsode\Core\HandIn\Saying;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Timing\Rate;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is said of a film at a moment or about a stretch of it. */
final readonly class RemarkController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private PlanMaker $plans,
        private HandInChanges $changes,
        private HandInView $view,
        private Spoken $spoken,
        private AuthorizationCheckerInterface $access,
    ) {}

    #[Route('/api/handins/{id}/remarks', name: 'remark', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::REMARK, 'handIn')]
    public function remark(
        #[MapEntity]
        HandIn $handIn,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        NewRemark $new,
    ): JsonResponse {
        $frame = Rate::frames(min($new->seconds, $handIn->film->seconds));
        $until = null === $new->until ? $frame : Rate::frames(min($new->until, $handIn->film->seconds));
        $spoken = null === $new->spoken ? null : $this->spoken->of($handIn, $user, $new->spoken);
        $refusal = Saying::refusal($new->text, $spoken?->seconds);
        if (null !== $refusal) {
            throw Refusals::said($refusal);
        }
        $mark = null === $new->mark ? null : Mark::read(Fields::of($new->mark, 'mark.'));
        $slides = array_filter($this->plans->plan($handIn->film->story())->scenes, static fn(Scene $s): bool => $s->start <= $frame);
        $at = end($slides);
        $remark = new Remark(
            $handIn,
            $user,
            $frame,
            false === $at ? '' : $at->id,
            $new->text,
            $until > $frame ? $until : null,
            $spoken?->asset,
            $spoken?->seconds,
            $mark?->toArray(),
        );
        $this->changes->whileRemarked($handIn, function () use ($remark): void {
            $this->spoken->unused($remark->spoken);
            $this->entities->persist($remark);
        });

        return new JsonResponse($this->view->whole($handIn), 201);
    }

    #[Route('/api/handins/{id}/remarks/{remark}', name: 'drop_remark', methods: ['DELETE'], requirements: ['id' => Requirement::UUID, 'remark' => Requirement::UUID])]
    #[IsGranted(HandInVoter::REMARK, 'handIn')]
    public function dropRemark(#[MapEntity] HandIn $handIn, string $remark, #[CurrentUser] User $user): JsonResponse
    {
        $found = $this->remarkOf($handIn, $remark);
        // A guest takes back what they said themselves.
        if (!$found->author->is($user) && !$this->access->isGranted(HandInVoter::ANSWER, $handIn)) {
            throw new AccessDeniedException();
        }
        $spoken = $found->spoken;
        $this->changes->whileRemarked($handIn, function () use ($found, $spoken): void {
            $this->entities->remove($found);
            null === $spoken || $this->entities->remove($spoken);
        });
        null === $spoken || $this->spoken->removeFiles((string) $spoken->id);

        return new JsonResponse($this->view->whole($handIn));
    }

    /** That what it says was done: ticked off by who was told, or by who told it, also when it is answered. */
    #[Route('/api/handins/{id}/remarks/{remark}/done', name: 'tick_remark', methods: ['PUT'], requirements: ['id' => Requirement::UUID, 'remark' => Requirement::UUID])]
    #[IsGranted(HandInVoter::TICK, 'handIn')]
    public function tick(#[MapEntity] HandIn $handIn, string $remark, #[MapRequestPayload(acceptFormat: 'json')] DoneTold $told): JsonResponse
    {
        $found = $this->remarkOf($handIn, $remark);
        $found->isDone = $told->isDone;
        $this->entities->flush();

        return new JsonResponse($found->toArray());
    }

    private function remarkOf(HandIn $handIn, string $remark): Remark
    {
        return $this->entities->getRepository(Remark::class)->findOneBy(['id' => $remark, 'handIn' => $handIn]) ?? throw new NotFoundHttpException();
    }
}
