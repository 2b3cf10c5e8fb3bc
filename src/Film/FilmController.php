<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StoryVoter;
use Rhapsode\Core\Captions\SubRip;
use Rhapsode\Core\Captions\Transcript;
use Rhapsode\Core\Film\FilmState;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

final readonly class FilmController
{
    public function __construct(private Films $films, private Store $store) {}

    /**
     * Asks for the film of the story as it is now, in a size and as a kind of file. The same asked for again is the same
     * film.
     */
    #[Route('/api/stories/{id}/films', name: 'make_film', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function make(
        #[MapEntity]
        StoryRecord $story,
        #[MapRequestPayload(acceptFormat: 'json')]
        FilmWanted $wanted = new FilmWanted(),
    ): JsonResponse {
        [$film, $isNew] = $this->films->order($story, $wanted->size, $wanted->container);

        return new JsonResponse($film->toArray(), $isNew ? 202 : 200);
    }

    #[Route('/api/films/{id}', name: 'film', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(FilmVoter::WATCH, 'film')]
    public function show(#[MapEntity] FilmRecord $film): JsonResponse
    {
        return new JsonResponse($film->toArray());
    }

    #[Route('/api/films/{id}/cancel', name: 'cancel_film', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(FilmVoter::OWN, 'film')]
    public function cancel(#[MapEntity] FilmRecord $film): JsonResponse
    {
        $this->films->cancel($film);

        return new JsonResponse($film->toArray());
    }

    #[Route('/api/films/{id}/film.{container}', name: 'film_video', methods: ['GET'], requirements: ['id' => Requirement::UUID, 'container' => 'mp4|webm'])]
    #[IsGranted(FilmVoter::WATCH, 'film')]
    public function video(#[MapEntity] FilmRecord $film, Request $request): Response
    {
        return $this->file(
            $film,
            $film->video(),
            $film->container->type(),
            $request->query->has('download') ? $film->title . '.' . $film->container->value : null,
        );
    }

    #[Route('/api/films/{id}/captions.vtt', name: 'film_captions', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(FilmVoter::WATCH, 'film')]
    public function captions(#[MapEntity] FilmRecord $film, Request $request): Response
    {
        return $this->file(
            $film,
            $film->captions(),
            'text/vtt; charset=utf-8',
            $request->query->has('download') ? $film->title . '.vtt' : null,
        );
    }

    /** The captions as SubRip, or as a plain transcript. */
    #[Route('/api/films/{id}/captions.{format}', name: 'film_captions_as', methods: ['GET'], requirements: ['id' => Requirement::UUID, 'format' => 'srt|txt'])]
    #[IsGranted(FilmVoter::WATCH, 'film')]
    public function captionsAs(#[MapEntity] FilmRecord $film, string $format, PlanMaker $plans): Response
    {
        $cues = $plans->plan($film->story())->cues;

        return new Response('srt' === $format ? SubRip::write($cues) : Transcript::write($cues), 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => Media::attachment($film->title . '.' . $format),
            'Cache-Control' => 'private, no-cache',
        ]);
    }

    private function file(FilmRecord $film, string $key, string $type, ?string $download): Response
    {
        return FilmState::Done === $film->state ? Media::of($this->store, $key, $type, $download) : throw new NotFoundHttpException();
    }
}
