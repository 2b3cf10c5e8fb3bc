<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Plan\SpokenSlide;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** When the words of one slide's script are said: only whoever looks at it from near needs them. */
final readonly class SpokenController
{
    #[Route(
        '/api/stories/{id}/slides/{slide}/spoken.json',
        name: 'spoken',
        methods: ['GET'],
        requirements: ['id' => Requirement::UUID, 'slide' => '[A-Za-z0-9_-]{1,64}'],
    )]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function show(#[MapEntity] StoryRecord $story, string $slide): JsonResponse
    {
        $document = $story->story();
        foreach (Pacing::of($document) as $timed) {
            if ($timed->slide->id === $slide) {
                return new JsonResponse(SpokenSlide::told($timed, $document));
            }
        }
        throw new NotFoundHttpException();
    }
}
