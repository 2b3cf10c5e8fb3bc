<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\User;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Who teaches a class, besides by being invited. */
final readonly class StaffController
{
    private const PATH = '/api/classes/{id}/teachers/{teacher}';
    private const IDS = ['id' => Requirement::UUID, 'teacher' => Requirement::UUID];

    public function __construct(private Staff $staff, private ClassroomView $view) {}

    #[Route(self::PATH, name: 'teach_class', methods: ['PUT'], requirements: self::IDS)]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function teach(
        #[MapEntity(id: 'id')]
        Classroom $classroom,
        #[MapEntity(id: 'teacher')]
        User $teacher,
        #[MapRequestPayload(acceptFormat: 'json')]
        PartTold $told,
        #[CurrentUser]
        User $user,
    ): JsonResponse {
        $this->staff->be($classroom, $teacher, $told->part);

        return new JsonResponse($this->view->of($classroom, $user));
    }

    /** Whoever takes themselves out sees it no longer. */
    #[Route(self::PATH, name: 'take_teacher_out', methods: ['DELETE'], requirements: self::IDS)]
    #[IsGranted(ClassroomVoter::CHANGE, 'classroom')]
    public function takeOut(#[MapEntity(id: 'id')] Classroom $classroom, #[MapEntity(id: 'teacher')] User $teacher, #[CurrentUser] User $user): JsonResponse
    {
        $this->staff->leave($classroom, $teacher);

        return new JsonResponse($this->view->of($classroom, $user));
    }
}
