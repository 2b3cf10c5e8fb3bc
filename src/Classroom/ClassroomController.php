<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Card;
use Rhapsode\App\Account\User;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** A class: its name, who teaches it, who is in it. */
final readonly class ClassroomController
{
    private const STUDENT = '/api/classes/{id}/students/{student}';
    private const IDS = ['id' => Requirement::UUID, 'student' => Requirement::UUID];

    public function __construct(private EntityManagerInterface $entities, private Enrolment $enrolment, private ClassroomView $view) {}

    #[Route('/api/classes', name: 'begin_class', methods: ['POST'])]
    #[IsGranted('ROLE_TEACHER')]
    public function begin(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] ClassName $told): JsonResponse
    {
        return new JsonResponse($this->view->of($this->enrolment->begin($told->name, $user), $user), 201);
    }

    #[Route('/api/classes/{id}', name: 'class', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::VIEW, 'classroom')]
    public function read(#[MapEntity] Classroom $classroom, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->view->of($classroom, $user));
    }

    #[Route('/api/classes/{id}', name: 'rename_class', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function rename(
        #[MapEntity]
        Classroom $classroom,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        ClassName $told,
    ): JsonResponse {
        $classroom->name = $told->name;
        $this->entities->flush();

        return new JsonResponse($this->view->of($classroom, $user));
    }

    #[Route('/api/classes/{id}/archive', name: 'archive_class', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::ARCHIVE, 'classroom')]
    public function archive(#[MapEntity] Classroom $classroom, #[CurrentUser] User $user): JsonResponse
    {
        $this->enrolment->archive($classroom);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    #[Route('/api/classes/{id}/archive', name: 'bring_class_back', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::ARCHIVE, 'classroom')]
    public function bringBack(#[MapEntity] Classroom $classroom, #[CurrentUser] User $user): JsonResponse
    {
        $this->enrolment->bringBack($classroom);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    #[Route('/api/classes/{id}/next', name: 'move_class_up', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::ARCHIVE, 'classroom')]
    public function moveUp(
        #[MapEntity]
        Classroom $classroom,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        ClassName $told,
    ): JsonResponse {
        return new JsonResponse($this->view->of($this->enrolment->moveUp($classroom, $told->name), $user), 201);
    }

    /** What they come in with is told once, here. */
    #[Route('/api/classes/{id}/students', name: 'add_students', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function add(
        #[MapEntity]
        Classroom $classroom,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        NewStudents $new,
    ): JsonResponse {
        $cards = $this->enrolment->add($classroom, $new->list);

        return new JsonResponse(['classroom' => $this->view->of($classroom, $user), 'cards' => self::told($cards)], 201);
    }

    #[Route('/api/classes/{id}/cards', name: 'class_cards', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function cards(#[MapEntity] Classroom $classroom, #[MapRequestPayload(acceptFormat: 'json')] CardsFor $for): JsonResponse
    {
        return new JsonResponse(self::told($this->enrolment->cards($classroom, $for->students)), 201);
    }

    /** What stands on cards that are made from now on. */
    #[Route('/api/classes/{id}/cards', name: 'print_cards', methods: ['PUT'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function printed(
        #[MapEntity]
        Classroom $classroom,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        CardsAs $as,
    ): JsonResponse {
        $this->enrolment->print($classroom, $as->kind);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    #[Route(self::STUDENT, name: 'rename_student', methods: ['PATCH'], requirements: self::IDS)]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function call(
        #[MapEntity]
        Classroom $classroom,
        string $student,
        #[CurrentUser]
        User $user,
        #[MapRequestPayload(acceptFormat: 'json')]
        CalledName $told,
    ): JsonResponse {
        $this->enrolment->rename($classroom, $this->student($classroom, $student), $told->name);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    /** Taken out twice is taken out. */
    #[Route(self::STUDENT, name: 'take_out_student', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function takeOut(#[MapEntity] Classroom $classroom, string $student, #[CurrentUser] User $user): JsonResponse
    {
        $this->enrolment->takeOut($classroom, $this->student($classroom, $student, orWas: true));

        return new JsonResponse($this->view->of($classroom, $user));
    }

    /** Whoever was in the class before is in it again. */
    #[Route(self::STUDENT, name: 'put_back_student', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function putBack(#[MapEntity] Classroom $classroom, string $student, #[CurrentUser] User $user): JsonResponse
    {
        $this->enrolment->putBack($classroom, $this->student($classroom, $student, orWas: true));

        return new JsonResponse($this->view->of($classroom, $user));
    }

    private function student(Classroom $classroom, string $id, bool $orWas = false): User
    {
        $membership = $this->entities->find(Membership::class, ['classroom' => $classroom->id, 'student' => $id]);

        return null !== $membership && ($orWas || null !== $membership->key) ? $membership->student : throw new NotFoundHttpException();
    }

    /**
     * @param list<Card> $cards
     *
     * @return list<array<string, string>>
     */
    private static function told(array $cards): array
    {
        return array_map(static fn(Card $card): array => $card->toArray(), $cards);
    }
}
