<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Psr\EventDispatcher\EventDispatcherInterface;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Rubric\Marks;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What whoever teaches the class says of the whole film. */
final readonly class AnswerController
{
    public function __construct(private HandInChanges $changes, private HandInView $view, private EventDispatcherInterface $events) {}

    #[Route('/api/handins/{id}/answer', name: 'answer', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function answer(#[MapEntity] HandIn $handIn, #[MapRequestPayload(acceptFormat: 'json')] Answer $answer): JsonResponse
    {
        $this->changes->onItsOwn($handIn, function () use ($handIn, $answer): void {
            $next = $handIn->state->answered($answer->state, $answer->answer);
            // What it was marked by stays, however the assignment's rubric changes.
            $marks = $handIn->marks();
            $handIn->state = $next instanceof HandInState ? $next : throw Refusals::said($next);
            $handIn->rubric = $marks?->rubric->toArray();
            $handIn->levels = $marks->levels ?? [];
            $handIn->answer = $answer->answer;
            $handIn->answeredAt = now();
            $this->events->dispatch(new FilmAnswered($handIn));
        });

        return new JsonResponse($this->view->whole($handIn));
    }

    /** One criterion of the rubric is filled in: of two who mark at once, on two criteria, both are kept. */
    #[Route('/api/handins/{id}/marks/{criterion}', name: 'mark', methods: ['PUT'], requirements: ['id' => Requirement::UUID, 'criterion' => '[A-Za-z0-9_-]{1,64}'])]
    #[IsGranted(HandInVoter::ANSWER, 'handIn')]
    public function mark(#[MapEntity] HandIn $handIn, string $criterion, #[MapRequestPayload(acceptFormat: 'json')] LevelTold $told): JsonResponse
    {
        $this->changes->whileRemarked($handIn, static function () use ($handIn, $criterion, $told): void {
            $marks = $handIn->marks() ?? throw new Refused('rubric.none');
            $handIn->levels = Marks::of($marks->rubric, [$criterion => $told->level] + $marks->levels)->levels;
        });

        return new JsonResponse($this->view->whole($handIn));
    }
}
