<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Shared\Body\Body;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\EditReader;
use Rhapsode\Core\Story\Slide;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Uuid;

#[Route('/api/stories')]
final readonly class StoryController
{
    public function __construct(private EntityManagerInterface $entities, private Stories $stories, private StoryView $view) {}

    #[Route('', name: 'begin_story', methods: ['POST'])]
    public function begin(
        #[MapRequestPayload(acceptFormat: 'json')]
        NewStory $new,
        #[CurrentUser]
        User $user,
        AuthorizationCheckerInterface $access,
        Beginning $beginning,
    ): JsonResponse {
        $assignment = null;
        if (null !== $new->assignment) {
            $assignment = Uuid::isValid($new->assignment) ? $this->entities->find(Assignment::class, $new->assignment) : null;
            if (null === $assignment || !$access->isGranted(AssignmentVoter::HAND_IN, $assignment)) {
                throw new AccessDeniedException();
            }
        }
        return new JsonResponse($this->view->of($beginning->of($user, $new->title, $assignment), $user), 201);
    }

    /** With its voices, or without them: to be told again by somebody else, or in another language. */
    #[Route('/{id}/copies', name: 'copy_story', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function copy(
        #[MapEntity]
        StoryRecord $story,
        #[MapRequestPayload(acceptFormat: 'json')]
        NewCopy $new,
        #[CurrentUser]
        User $user,
        StoryCopies $copies,
    ): JsonResponse {
        return new JsonResponse($this->view->of($copies->copy($story, $new->title, $new->voices, $user), $user), 201);
    }

    #[Route('/{id}', name: 'story', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function show(#[MapEntity] StoryRecord $story, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->view->of($story, $user));
    }

    /** Which it is now: whoever makes it together asks whether another has changed it. */
    #[Route('/{id}/revision', name: 'story_revision', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function revision(#[MapEntity] StoryRecord $story): JsonResponse
    {
        return new JsonResponse(['revision' => $story->revision, 'makers' => \count($story->makers())]);
    }

    #[Route('/{id}', name: 'delete_story', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::DROP, 'story')]
    public function delete(#[MapEntity] StoryRecord $story): Response
    {
        $story->deletedAt = now();
        $this->entities->flush();

        return new Response('', 204);
    }

    /** What was deleted by mistake comes back. */
    #[Route('/{id}/restore', name: 'restore_story', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    public function restore(#[MapEntity] StoryRecord $story, #[CurrentUser] User $user): Response
    {
        if (!$story->owner->is($user)) {
            throw new AccessDeniedException();
        }
        $story->deletedAt = null;
        $this->entities->flush();

        return new Response('', 204);
    }

    #[Route('/{id}/edits', name: 'edit_story', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function edit(#[MapEntity] StoryRecord $story, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $edits = array_map(EditReader::read(...), Body::of($request)->objects('edits'));
        if ([] === $edits || \count($edits) > Limits::EDITS) {
            throw new Malformed('request.edits', ['most' => Limits::EDITS]);
        }
        $since = self::madeOn($request);
        $this->stories->edit($story, $edits, $since, $user);

        return $this->view->changed($story, $user, $since);
    }

    /** Slides that were copied or cut, here or in another story of one's own. */
    #[Route('/{id}/slides', name: 'paste_slides', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function paste(
        #[MapEntity]
        StoryRecord $story,
        Request $request,
        #[CurrentUser]
        User $user,
        Pasting $pasting,
        AuthorizationCheckerInterface $access,
    ): JsonResponse {
        $body = Body::of($request);
        $slides = array_map(Slide::read(...), $body->objects('slides'));
        if ([] === $slides || \count($slides) > Limits::SLIDES) {
            throw new Malformed('request.slides', ['most' => Limits::SLIDES]);
        }
        $since = self::madeOn($request);
        $from = Uuid::isValid($body->id('from')) ? $this->entities->find(StoryRecord::class, $body->id('from')) : null;
        if (null === $from || !$access->isGranted(StoryVoter::OWN, $from)) {
            throw new Refused('edit.story-gone');
        }
        $pasting->paste($story, $from, $slides, $body->ids('ids'), $body->idOrNull('after'), $since, $user);

        return $this->view->changed($story, $user, $since);
    }

    /** @throws Refused */
    #[Route('/{id}/undo', name: 'undo', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function undo(#[MapEntity] StoryRecord $story, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $since = self::madeOn($request);
        $this->stories->undo($story, $since, $user);

        return $this->view->changed($story, $user, $since);
    }

    /** @throws Refused */
    #[Route('/{id}/redo', name: 'redo', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function redo(#[MapEntity] StoryRecord $story, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $since = self::madeOn($request);
        $this->stories->redo($story, $since, $user);

        return $this->view->changed($story, $user, $since);
    }

    /** Its own first slides in each of the styles. */
    #[Route('/{id}/styles.json', name: 'styles', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function styles(#[MapEntity] StoryRecord $story, StylePreviews $previews): JsonResponse
    {
        return new JsonResponse($previews->of($story));
    }

    /** The words of a slide as the film will have them, by the hash that the plan names. */
    #[Route('/{id}/words/{hash}.png', name: 'words', methods: ['GET'], requirements: ['id' => Requirement::UUID, 'hash' => '[0-9a-f]{24}'])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function words(#[MapEntity] StoryRecord $story, string $hash, Drawings $drawings, Store $store): Response
    {
        return Media::of($store, $drawings->draw($story, $hash) ?? throw new NotFoundHttpException(), 'image/png');
    }

    /** The revision that a change was made on: never overwrite unseen work (RFC 9110, If-Match). */
    private static function madeOn(Request $request): int
    {
        $match = trim((string) $request->headers->get('If-Match'), '"');
        if (1 !== preg_match('/^\d{1,9}$/D', $match)) {
            throw new HttpException(428);
        }

        return (int) $match;
    }
}
