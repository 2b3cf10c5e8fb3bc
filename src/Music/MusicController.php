<?php

declare(strict_types=1);

namespace Rhapsode\App\Music;

use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Shared\Turnstile;
use Rhapsode\App\Story\Stories;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StoryView;
use Rhapsode\App\Story\StoryVoter;
use Rhapsode\Core\Edit\AddMusic;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\MusicPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

/** Music for beds. It belongs to the story whose document holds it. */
#[Route('/api/stories/{id}/music', requirements: ['id' => Requirement::UUID])]
#[IsGranted(StoryVoter::OWN, 'story')]
final readonly class MusicController
{
    public function __construct(private Store $store, private Turnstile $turnstile, private Stories $stories, private StoryView $view) {}

    /** Takes one file in and lays it under the whole story. */
    #[Route('', name: 'add_music', methods: ['POST'])]
    public function add(#[MapEntity] StoryRecord $story, Request $request): JsonResponse
    {
        $file = $request->files->get('file');
        if (!$file instanceof UploadedFile || !$file->isValid()) {
            throw new Unreadable('This sound did not arrive whole, or is larger than 60 MB. Try it again.');
        }
        $name = mb_substr(basename(str_replace('\\', '/', $file->getClientOriginalName())), 0, 200);
        $id = (string) Uuid::v7();
        $measured = $this->turnstile->through((string) $story->owner->id, "music {$id}", function () use ($file, $id): MeasuredMusic {
            $scratch = new Scratch();
            $measured = (new MusicPreparer())->prepare($file->getPathname(), $scratch->folder);
            foreach ([MeasuredMusic::FULL, MeasuredMusic::LIGHT] as $part) {
                $this->store->once("music/{$id}/{$part}", static fn(string $to): bool => copy($scratch->path($part), $to));
            }

            return $measured;
        });
        $music = $measured->music($id, '' === $name || !mb_check_encoding($name, 'UTF-8') ? 'music' : $name);
        $this->stories->edit($story, [new AddMusic($music, (string) Uuid::v7())], null, $story->owner);

        return new JsonResponse(['music' => $id, 'story' => $this->view->of($story, $story->owner)], 201);
    }

    /** The music as it is heard in the page. */
    #[Route('/{music}.ogg', name: 'music', methods: ['GET'], requirements: ['music' => Requirement::UUID])]
    public function show(#[MapEntity] StoryRecord $story, string $music): Response
    {
        return null !== $story->story()->music($music) ? Media::of($this->store, "music/{$music}/" . MeasuredMusic::LIGHT, 'audio/ogg') : throw new NotFoundHttpException();
    }
}
