<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Shared\Body;
use Rhapsode\App\Shared\BodySize;
use Rhapsode\Core\Captions\Transcript;
use Rhapsode\Core\Edit\SetCaptions;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Captions from a file, instead of those made from the scripts. */
final readonly class CaptionsController
{
    public function __construct(private Stories $stories, private StoryView $view) {}

    /** The text of a WebVTT or SubRip file; or a plain transcript, which is timed to the voices. */
    #[Route('/api/stories/{id}/captions', name: 'bring_captions', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function bring(#[MapEntity] StoryRecord $story, Request $request): JsonResponse
    {
        $text = CaptionFile::text(Body::of($request, BodySize::MOST_JSON)->text('text', CaptionFile::MOST_BYTES, min: 1));
        $captions = CaptionFile::isTimed($text) ? CaptionFile::read($text) : Transcript::timed($text, $story->story());
        if ([] === $captions) {
            throw new Unreadable('A plain text is timed to the voices, and nobody speaks in this story yet. Record a voice first, or bring in a file with times.');
        }
        $this->stories->edit($story, [new SetCaptions($captions)], null, $story->owner);

        return new JsonResponse($this->view->of($story, $story->owner));
    }
}
