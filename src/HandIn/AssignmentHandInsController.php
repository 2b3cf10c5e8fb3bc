<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\AssignmentVoter;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\HandIn\Evening\Evening;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Peers\Peers;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Rubric\Distribution;
use Rhapsode\Core\Rubric\Marks;
use Rhapsode\Core\Rubric\Rubric;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What was handed in to an assignment, as who teaches the class sees it. */
final readonly class AssignmentHandInsController
{
    public function __construct(private Standing $standing, private Evening $evening, private Members $members, private Peers $peers, private AuthorizationCheckerInterface $access) {}

    #[Route('/api/assignments/{id}', name: 'assignment', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function read(#[MapEntity] Assignment $assignment, #[CurrentUser] User $user): JsonResponse
    {
        $hides = $this->standing->hidesNames($assignment);
        $maySet = $this->access->isGranted(AssignmentVoter::SET, $assignment);
        $handIns = $hides ? $this->standing->shuffled($assignment, $user) : $this->standing->of($assignment);

        return new JsonResponse([
            'assignment' => $assignment->toArray(),
            'maySet' => $maySet,
            'areNamesHidden' => $hides,
            'evening' => $maySet ? $this->evening->link($assignment) : null,
            'screening' => $this->standing->screened($assignment, $handIns),
            'peers' => self::counted($this->peers->of($assignment)),
            'distribution' => self::distribution($assignment, $handIns),
            // Who has handed in nothing would tell whose the others are.
            'students' => $hides ? [] : array_map(static fn(User $u): string => $u->firstName, $this->members->of($assignment->classroom)),
            'handIns' => array_map(static fn(HandIn $one): array => ($hides ? ['makers' => []] : []) + $one->toArray() + self::marks($one), $handIns),
        ]);
    }

    #[Route('/api/assignments/{id}/table.csv', name: 'assignment_table', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(AssignmentVoter::REVIEW, 'assignment')]
    public function table(#[MapEntity] Assignment $assignment): Response
    {
        if ($this->standing->hidesNames($assignment)) {
            throw new Refused('hand-in.names-hidden');
        }
        $csv = ClassTable::csv($this->members->of($assignment->classroom), $this->standing->of($assignment), 'en');

        return new Response($csv, headers: [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, 'hand-ins.csv'),
            'Cache-Control' => 'private, no-store',
        ]);
    }

    /**
     * @param list<PeerAnswer> $answers
     *
     * @return array{dealt: int, written: int, held: int}
     */
    private static function counted(array $answers): array
    {
        $written = array_filter($answers, static fn(PeerAnswer $one): bool => null !== $one->writtenAt);

        return ['dealt' => \count($answers), 'written' => \count($written), 'held' => \count(array_filter($written, static fn(PeerAnswer $one): bool => !$one->isShown))];
    }

    /** @return array{points: int|null, most: int|null} null points where nothing is marked yet, null most where there is no rubric */
    private static function marks(HandIn $handIn): array
    {
        $marks = $handIn->marks();

        return ['points' => $marks?->given(), 'most' => $marks?->rubric->most()];
    }

    /**
     * @param list<HandIn> $handIns
     *
     * @return array<string, mixed>|null null where there is no rubric
     */
    private static function distribution(Assignment $assignment, array $handIns): ?array
    {
        $marks = array_values(array_filter(array_map(static fn(HandIn $one): ?Marks => $one->marks(), $handIns)));

        return null === $assignment->rubric ? null : Distribution::of(Rubric::read(Fields::of($assignment->rubric)), $marks)->toArray();
    }
}
