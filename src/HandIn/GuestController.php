<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Code;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\CalledName;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Message\Message;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Guests of one film: asked by who leads the class, and asked no longer. */
#[IsGranted(HandInVoter::INVITE, 'handIn')]
final readonly class GuestController
{
    private const GUESTS = '/api/handins/{id}/guests';

    public function __construct(private EntityManagerInterface $entities) {}

    #[Route(self::GUESTS, name: 'guests', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    public function list(#[MapEntity] HandIn $handIn): JsonResponse
    {
        return new JsonResponse($this->asked($handIn));
    }

    /** What the link says is told once. */
    #[Route(self::GUESTS, name: 'ask_guest', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    public function ask(#[MapEntity] HandIn $handIn, #[MapRequestPayload(acceptFormat: 'json')] CalledName $told): JsonResponse
    {
        $code = Code::make();
        $until = now(Guest::LASTS);
        $this->entities->wrapInTransaction(function () use ($handIn, $told, $code, $until): void {
            $this->entities->refresh($handIn, LockMode::PESSIMISTIC_WRITE);
            if (\count($this->asked($handIn)) >= Limits::GUESTS) {
                throw new Refused(new Message('guest.too-many', ['most' => Limits::GUESTS]));
            }
            $person = new User($handIn->assignment->classroom->school, null, $told->name, Role::Guest);
            $person->card = Code::hash($code);
            $person->until = $until;
            $this->entities->persist($person);
            $this->entities->persist(new Guest($person, $handIn));
        });

        return new JsonResponse(['code' => $code, 'until' => $until->format(\DATE_RFC3339)], 201);
    }

    /** They see it no longer; what they said stays. Twice is once. */
    #[Route(self::GUESTS . '/{guest}', name: 'drop_guest', methods: ['DELETE'], requirements: ['id' => Requirement::UUID, 'guest' => Requirement::UUID])]
    public function drop(#[MapEntity] HandIn $handIn, string $guest): Response
    {
        $found = $this->entities->getRepository(Guest::class)->findOneBy(['person' => $guest, 'handIn' => $handIn]) ?? throw new NotFoundHttpException();
        $found->person->card = null;
        $found->person->until = now();
        $this->entities->flush();

        return new Response('', 204);
    }

    /** @return list<array<string, string|null>> who may see it now */
    private function asked(HandIn $handIn): array
    {
        $guests = array_filter(
            $this->entities->getRepository(Guest::class)->findBy(['handIn' => $handIn]),
            static fn(Guest $guest): bool => $guest->isAsked($guest->person),
        );

        return array_values(array_map(static fn(Guest $guest): array => $guest->toArray(), $guests));
    }
}
