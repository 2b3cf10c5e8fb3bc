<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\Core\Sound\HowItSounds;
use Rhapsode\Core\Story\Takes;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** When each take of a story was made, how it sounds, and what of it a slide would speak: only whoever chooses among them needs it. */
final readonly class TakesController
{
    public function __construct(private EntityManagerInterface $entities) {}

    #[Route('/api/stories/{id}/slides/{slide}/takes.json', name: 'takes', methods: ['GET'], requirements: [
        'id' => Requirement::UUID, 'slide' => '[A-Za-z0-9_-]{1,64}',
    ])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function show(#[MapEntity] StoryRecord $story, string $slide): JsonResponse
    {
        $document = $story->story();
        $chosen = $document->slide($slide) ?? throw new NotFoundHttpException();
        $records = $this->entities->getRepository(AssetRecord::class)->findBy(
            ['place' => $story->id, 'kind' => Arriving::Voice],
            ['finishedAt' => 'DESC', 'id' => 'DESC'],
        );
        $takes = [];
        foreach ($records as $record) {
            $voice = $document->voice((string) $record->id);
            if (null !== $voice) {
                $takes[] = [
                    ...Takes::span($voice, $slide)->toArray(),
                    'isOwn' => Takes::isOf($voice, $chosen),
                    'at' => $record->begunAt->format(\DATE_RFC3339),
                    'sounds' => array_map(static fn(HowItSounds $flaw): string => $flaw->value, HowItSounds::of($voice)),
                ];
            }
        }

        return new JsonResponse($takes);
    }
}
