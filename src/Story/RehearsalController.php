<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Pacing\Rehearsal;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** How long the script takes to say: only whoever is about to speak needs it. */
final readonly class RehearsalController
{
    public function __construct(private PlanMaker $plans, private Memo $memo) {}

    #[Route('/api/stories/{id}/rehearsal.json', name: 'rehearsal', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function show(#[MapEntity] StoryRecord $story): JsonResponse
    {
        $document = $story->story();
        $told = (new Rehearsal($document, $this->memo))->told($this->plans->plan($document)->frames());

        return new JsonResponse([
            ...$told,
            'slides' => (object) $told['slides'],
            'length' => $story->assignment?->wanted()->length($told['seconds']),
        ]);
    }
}
