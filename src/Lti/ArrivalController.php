<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Code;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Members;
use Rhapsode\App\Classroom\Part;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Lti\ArrivalStep;
use Rhapsode\Core\Lti\Chosen;
use Rhapsode\Core\Rubric\Rubric;
use Symfony\Bundle\SecurityBundle\Security;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Somebody arrives from a platform. Their ticket is sent in a body, where no log writes it down, and is good in their own browser alone. */
final readonly class ArrivalController
{
    private const SIGNED_IN_BY = 'json_login';

    public function __construct(private Launches $launches, private Arrivals $arrivals, private EntityManagerInterface $entities) {}

    #[Route('/api/lti/arrive', name: 'lti_arrive', methods: ['POST'])]
    public function arrive(
        Request $request,
        #[MapRequestPayload(acceptFormat: 'json')]
        ArrivalTold $told,
        #[CurrentUser]
        ?User $user,
        Security $security,
        Members $members,
    ): JsonResponse {
        $arrival = $this->arrival($request, $told->ticket);
        $arrived = $this->arrivals->go($arrival, $told, $user);
        $person = $arrived->person;
        if (null !== $person && ArrivalStep::NotMeant !== $arrived->step && (null === $user || !$user->is($person))) {
            $security->login($person, self::SIGNED_IN_BY, 'api');
            $person->seenAt = now();
        }
        if (ArrivalStep::In === $arrived->step) {
            // It has led where it leads, and leads nobody there again.
            $this->entities->remove($arrival);
        }
        $this->entities->flush();

        return new JsonResponse(self::said($arrived, $arrival->platform, null === $person ? [] : $members->taughtBy($person), $this->tasks($arrived)));
    }

    /** Back to the platform, with what was chosen. */
    #[Route('/api/lti/back', name: 'lti_back', methods: ['POST'])]
    public function back(Request $request, #[CurrentUser] ?User $user, OwnKey $key, LaunchPages $pages): Response
    {
        $ticket = $request->request->all()['ticket'] ?? null;
        $arrival = $this->launches->arrival(\is_string($ticket) ? $ticket : '', LaunchController::browser($request));
        $arrived = $arrival instanceof Arrival ? $this->arrivals->go($arrival, new ArrivalTold(''), $user) : null;
        $chosen = $arrived?->assignment;
        if (!$arrival instanceof Arrival || ArrivalStep::Back !== $arrived?->step || null === $chosen || null === $user || true !== $arrived->person?->is($user)) {
            return $pages->refused();
        }
        $points = null === $chosen->rubric ? 1 : Rubric::read(Fields::of($chosen->rubric))->most();
        $claims = Chosen::claims(
            $arrival->platform->registered(),
            $arrived->launch,
            LaunchController::target($request),
            (string) $chosen->id,
            $chosen->title,
            max(1, $points),
            Code::make(),
            now()->getTimestamp(),
        );

        return $pages->back($arrived->launch->deepLinking->back ?? '', $key->sign($claims), $chosen->title);
    }

    private function arrival(Request $request, string $ticket): Arrival
    {
        $arrival = $this->launches->arrival($ticket, LaunchController::browser($request));

        return $arrival instanceof Arrival ? $arrival : throw new NotFoundHttpException();
    }

    /** @return list<Assignment> that the link may lead to */
    private function tasks(Arrived $arrived): array
    {
        return ArrivalStep::WhichTask === $arrived->step
            ? $this->entities->getRepository(Assignment::class)->findBy(['classroom' => $arrived->classroom, 'putAwayAt' => null], ['dueOn' => 'DESC', 'id' => 'ASC'])
            : [];
    }

    /**
     * @param list<Classroom>  $classes
     * @param list<Assignment> $tasks
     *
     * @return array<string, mixed>
     */
    private static function said(Arrived $arrived, Platform $platform, array $classes, array $tasks): array
    {
        $led = array_filter($classes, static fn(Classroom $c): bool => null === $c->archivedAt && null !== $arrived->person && Part::Lead === $c->part($arrived->person));

        return [
            'step' => $arrived->step->value,
            'platform' => $platform->name,
            'course' => $arrived->launch->courseTitle,
            'name' => null === $arrived->person ? $arrived->launch->name : $arrived->person->firstName,
            'teaches' => $arrived->launch->standing->isStaff(),
            'classroom' => null === $arrived->classroom ? null : (string) $arrived->classroom->id,
            'assignment' => null === $arrived->assignment ? null : (string) $arrived->assignment->id,
            'classes' => ArrivalStep::WhichClass === $arrived->step
                ? array_values(array_map(static fn(Classroom $c): array => ['id' => (string) $c->id, 'name' => $c->name], $led))
                : [],
            'tasks' => array_map(static fn(Assignment $a): array => ['id' => (string) $a->id, 'title' => $a->title], $tasks),
        ];
    }
}
