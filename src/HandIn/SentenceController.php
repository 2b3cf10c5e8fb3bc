<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Message\Message;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** A teacher's own sentences, for remarks. */
#[IsGranted('ROLE_TEACHER')]
final readonly class SentenceController
{
    public function __construct(private EntityManagerInterface $entities) {}

    #[Route('/api/sentences', name: 'sentences', methods: ['GET'])]
    public function list(#[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(array_map(static fn(Sentence $one): array => $one->toArray(), $this->of($user)));
    }

    /** Kept twice it is kept once. */
    #[Route('/api/sentences', name: 'keep_sentence', methods: ['POST'])]
    public function keep(#[CurrentUser] User $user, #[MapRequestPayload(acceptFormat: 'json')] NewSentence $new): JsonResponse
    {
        $kept = $this->entities->wrapInTransaction(function () use ($user, $new): Sentence {
            $this->entities->refresh($user, LockMode::PESSIMISTIC_WRITE);
            $all = $this->of($user);
            foreach ($all as $one) {
                if ($one->text === $new->text) {
                    return $one;
                }
            }
            if (\count($all) >= Limits::SENTENCES) {
                throw new Refused(new Message('sentences.too-many', ['most' => Limits::SENTENCES]));
            }
            $sentence = new Sentence($user, $new->text);
            $this->entities->persist($sentence);

            return $sentence;
        });

        return new JsonResponse($kept->toArray(), 201);
    }

    /** One that is there no more, or is somebody else's, is not there: twice is once. */
    #[Route('/api/sentences/{id}', name: 'drop_sentence', methods: ['DELETE'], requirements: ['id' => Requirement::UUID])]
    public function drop(string $id, #[CurrentUser] User $user): Response
    {
        $found = $this->entities->getRepository(Sentence::class)->findOneBy(['id' => $id, 'teacher' => $user]);
        if (null !== $found) {
            $this->entities->remove($found);
            $this->entities->flush();
        }

        return new Response('', 204);
    }

    /** @return list<Sentence> in the order in which they were kept */
    private function of(User $user): array
    {
        return $this->entities->getRepository(Sentence::class)->findBy(['teacher' => $user], ['id' => 'ASC']);
    }
}
