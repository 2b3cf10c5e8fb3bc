<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Sound\Dealt;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\VoiceThread;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** How one long recording, or several, may be divided over slides. */
final readonly class SplitController
{
    public function __construct(private EntityManagerInterface $entities) {}

    /** @param string $voices the ids of recordings that are heard one after another, with commas between */
    #[Route('/api/stories/{id}/split.json', name: 'split', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function show(
        #[MapEntity]
        StoryRecord $story,
        #[MapQueryParameter]
        string $voices = '',
        #[MapQueryParameter]
        ?string $from = null,
    ): JsonResponse {
        $document = $story->story();
        $thread = $peaks = [];
        $ids = '' === $voices ? [] : \array_slice(explode(',', $voices), 0, Limits::SPANS);
        foreach ($ids as $i => $id) {
            $voice = $document->voice($id) ?? throw new NotFoundHttpException();
            // Where one recording ends and another begins, the silence between is a sign: it is left out when all is divided.
            $thread[] = $span = new Span($voice->id, 0 === $i ? $voice->from : 0, $i === \count($ids) - 1 ? $voice->to : $voice->samples);
            $drawn = $this->entities->find(AssetRecord::class, $voice->id)->peaks ?? [];
            $place = static fn(int $sample): int => (int) floor($sample / $voice->samples * \count($drawn));
            array_push($peaks, ...\array_slice($drawn, $place($span->from), $place($span->to) - $place($span->from)));
        }
        $slides = Dealt::slides($document, $from);
        $begins = Dealt::suggested($document, $thread, $slides);

        return new JsonResponse([
            'voice' => array_map(static fn(Span $span): array => $span->toArray(), $thread),
            'samples' => VoiceThread::length($thread),
            'pauses' => Dealt::pauses($document, $thread),
            'peaks' => $peaks,
            'slides' => array_map(
                static fn(int $i): array => ['slide' => $slides[$i]->id, ...$begins[$i]],
                array_keys($slides),
            ),
        ]);
    }
}
