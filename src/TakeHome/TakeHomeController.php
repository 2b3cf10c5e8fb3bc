<?php

declare(strict_types=1);

namespace Rhapsode\App\TakeHome;

use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StoryVoter;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Work goes home with whoever made it, and with who taught them. */
final readonly class TakeHomeController
{
    public function __construct(private Store $store) {}

    #[Route('/api/stories/{id}/story.zip', name: 'take_story_home', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function story(#[MapEntity] StoryRecord $story, StoryArchive $archive): Response
    {
        return Media::of($this->store, $archive->of($story), 'application/zip', "{$story->title}.zip");
    }

    #[Route('/api/assignments/{id}/films.zip', name: 'take_films_home', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function films(#[MapEntity] Assignment $assignment, FilmsArchive $archive): Response
    {
        return Media::of($this->store, $archive->of($assignment), 'application/zip', "{$assignment->title}.zip");
    }
}
