<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Evening;

use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is screened, for whoever has the signed link; and who leads the class makes the link and takes it back. */
final readonly class EveningController
{
    private const IDS = ['id' => Requirement::UUID, 'film' => Requirement::UUID];

    public function __construct(private Evening $evening, private Store $store) {}

    #[Route('/api/assignments/{id}/evening', name: 'open_evening', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function open(#[MapEntity] Assignment $assignment): JsonResponse
    {
        $this->evening->open($assignment);

        return new JsonResponse($this->evening->link($assignment));
    }

    #[Route('/api/assignments/{id}/evening', name: 'close_evening', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(AssignmentVoter::SET, 'assignment')]
    public function close(#[MapEntity] Assignment $assignment): Response
    {
        $this->evening->close($assignment);

        return new Response('', 204);
    }

    /** Titles and lengths, and nobody's name. */
    #[Route('/api/evenings/{id}', name: 'evening', methods: ['GET'], requirements: self::IDS)]
    public function watch(#[MapEntity] Assignment $assignment, Request $request): JsonResponse
    {
        $this->hold($assignment, $request);

        return new JsonResponse([
            'title' => $assignment->title,
            'until' => $assignment->eveningUntil?->format(\DATE_RFC3339),
            'films' => array_map(
                static fn(HandIn $one): array => ['id' => (string) $one->id, 'title' => $one->film->title, 'seconds' => $one->film->seconds],
                $this->evening->films($assignment),
            ),
        ]);
    }

    #[Route('/api/evenings/{id}/films/{film}/film', name: 'evening_film', methods: ['GET'], requirements: self::IDS)]
    public function film(#[MapEntity(id: 'id')] Assignment $assignment, string $film, Request $request): Response
    {
        $found = $this->found($assignment, $film, $request)->film;

        return Media::of($this->store, $found->video(), $found->container->type());
    }

    #[Route('/api/evenings/{id}/films/{film}/captions.vtt', name: 'evening_captions', methods: ['GET'], requirements: self::IDS)]
    public function captions(#[MapEntity(id: 'id')] Assignment $assignment, string $film, Request $request): Response
    {
        return Media::of($this->store, $this->found($assignment, $film, $request)->film->captions(), 'text/vtt; charset=utf-8');
    }

    private function found(Assignment $assignment, string $film, Request $request): HandIn
    {
        $this->hold($assignment, $request);

        return array_values(array_filter($this->evening->films($assignment), static fn(HandIn $one): bool => (string) $one->id === $film))[0]
            ?? throw new NotFoundHttpException();
    }

    private function hold(Assignment $assignment, Request $request): void
    {
        if (!$this->evening->lets($assignment, $request)) {
            throw new NotFoundHttpException();
        }
    }
}
