<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\SecondStep\SecondStep;
use Rhapsode\App\Account\User;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** A school as its administrator sees it: who teaches, and which classes there are. */
final readonly class SchoolController
{
    public function __construct(private EntityManagerInterface $entities) {}

    #[Route('/api/school', name: 'change_school', methods: ['PUT'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function change(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] SchoolTold $told): JsonResponse
    {
        $user->school->name = $told->name;
        $user->school->zone = $told->zone;
        $user->school->keep($told->keepsYears);
        $this->entities->flush();

        return $this->read($user);
    }

    /** For who has lost the device and the spare codes. One's own is taken away by one's password alone. */
    #[Route('/api/school/people/{id}/second-step', name: 'drop_second_step', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function dropSecondStep(#[MapEntity] User $person, #[CurrentUser] User $user, SecondStep $step): Response
    {
        if (!$person->school->id->equals($user->school->id) || $person->is($user)) {
            throw new NotFoundHttpException();
        }
        $step->end($person);

        return new Response('', 204);
    }

    #[Route('/api/school', name: 'school', methods: ['GET'])]
    #[IsGranted('ROLE_ADMINISTRATOR')]
    public function read(#[CurrentUser] User $user): JsonResponse
    {
        $school = $user->school;
        $adults = $this->entities->getRepository(User::class)->findBy(
            ['school' => $school, 'role' => [Role::Teacher, Role::Administrator]],
            ['firstName' => 'ASC', 'id' => 'ASC'],
        );
        /** @var list<array{classroom: Classroom, students: int}> $classes */
        $classes = $this->entities->createQueryBuilder()
            ->select('c AS classroom', 't', 'p', '(SELECT COUNT(m.key) FROM ' . Membership::class . ' m WHERE m.classroom = c) AS students')
            ->from(Classroom::class, 'c')->leftJoin('c.teachings', 't')->leftJoin('t.teacher', 'p')
            ->where('c.school = :school')->orderBy('c.name')->addOrderBy('c.id')
            ->setParameter('school', $school->id, 'uuid')->getQuery()->getResult();

        return new JsonResponse([
            'name' => $school->name,
            'zone' => $school->zone,
            'keepsYears' => $school->keepsYears,
            'adults' => array_map(static fn(User $u): array => $u->toArray() + ['hasSecondStep' => null !== $u->secondStep, 'seenAt' => $u->seenAt?->format(\DATE_RFC3339)], $adults),
            'classes' => array_map(static fn(array $one): array => [
                'id' => (string) $one['classroom']->id,
                'name' => $one['classroom']->name,
                'students' => $one['students'],
                'isArchived' => null !== $one['classroom']->archivedAt,
                'goesOn' => $one['classroom']->goesOn(),
                'teachers' => $one['classroom']->teachings->map(static fn(Teaching $t): string => $t->teacher->firstName)->getValues(),
            ], $classes),
        ]);
    }
}
