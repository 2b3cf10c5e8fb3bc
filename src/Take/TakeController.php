<?php

declare(strict_types=1);

namespace Rhapsode\App\Take;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Shared\Body;
use Rhapsode\App\Shared\Media;
use Rhapsode\App\Shared\Problem;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Shared\Turnstile;
use Rhapsode\App\Story\Stories;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StoryView;
use Rhapsode\App\Story\StoryVoter;
use Rhapsode\Core\Edit\AddVoice;
use Rhapsode\Studio\Prepare\MeasuredSound;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Bridge\Doctrine\Attribute\MapEntity;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Requirement\Requirement;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/**
 * Recordings arrive in numbered parts while they are spoken. A part that was acknowledged lies on the disk and in the
 * database; sending it again changes nothing. A sound file brought in goes the same way.
 */
final readonly class TakeController
{
    private const MOST_PARTS = 20_000;
    private const PART_BYTES = 8_000_000;
    private const DRAWN = 240;

    public function __construct(private EntityManagerInterface $entities, private Store $store, private Turnstile $turnstile) {}

    #[Route('/api/stories/{id}/takes', name: 'begin_take', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(StoryVoter::OWN, 'story')]
    public function begin(#[MapEntity] StoryRecord $story, Request $request): JsonResponse
    {
        $body = Body::of($request);
        $take = new TakeRecord($story, $body->id('slide'), basename(str_replace('\\', '/', $body->text('file', 200, 'recording'))));
        $this->entities->persist($take);
        $this->entities->flush();

        return new JsonResponse($this->state($take), 201);
    }

    #[Route('/api/takes/{id}', name: 'take', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(TakeVoter::OWN, 'take')]
    public function show(#[MapEntity] TakeRecord $take): JsonResponse
    {
        return new JsonResponse($this->state($take));
    }

    #[Route('/api/takes/{id}/parts/{number}', name: 'take_part', methods: ['PUT'], requirements: ['id' => Requirement::UUID, 'number' => '\d{1,5}'])]
    #[IsGranted(TakeVoter::OWN, 'take')]
    public function part(#[MapEntity] TakeRecord $take, int $number, Request $request): Response
    {
        $bytes = $request->getContent();
        if ('' === $bytes || \strlen($bytes) > self::PART_BYTES || $number >= self::MOST_PARTS) {
            return new Problem(422, 'A part of a recording is empty or too large.');
        }
        $hash = hash('sha256', $bytes);
        $held = $this->held($take, $number);
        if (null === $held && !$take->finished) {
            $this->store->write(TakePart::keyOf($take, $number, $hash), $bytes);
            // Of two at once the first stands, and both learn which that is.
            $this->entities->getConnection()->executeStatement('INSERT INTO take_part (take_id, number, hash) VALUES (?, ?, ?) ON CONFLICT DO NOTHING', [(string) $take->id, $number, $hash]);
            $held = $this->held($take, $number);
        }

        return match ($held) {
            $hash => new Response('', 204),
            null => new Problem(409, 'This recording is finished.'),
            default => new Problem(409, 'This part of the recording is here already, with other sound in it.'),
        };
    }

    /** @return string|null the hash of a part that was acknowledged */
    private function held(TakeRecord $take, int $number): ?string
    {
        $hash = $this->entities->getConnection()->fetchOne('SELECT hash FROM take_part WHERE take_id = ? AND number = ?', [(string) $take->id, $number]);

        return \is_string($hash) ? $hash : null;
    }

    /** All parts are here: they are joined, measured, and the slide speaks with it. Asking again gives the same answer. */
    #[Route('/api/takes/{id}/finish', name: 'finish_take', methods: ['POST'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(TakeVoter::OWN, 'take')]
    public function finish(#[MapEntity] TakeRecord $take, Request $request, Stories $stories, StoryView $view): JsonResponse
    {
        $parts = Body::of($request)->whole('parts', 1, self::MOST_PARTS);
        if (!$take->finished) {
            $missing = $this->turnstile->through((string) $take->story->owner->id, "take {$take->id}", fn(): array => $this->prepare($take, $parts, $stories));
            if ([] !== $missing) {
                return new Problem(409, 'Some parts of the recording are still on their way.', ['missing' => $missing]);
            }
        }

        return new JsonResponse(['take' => (string) $take->id, 'story' => $view->of($take->story, $take->story->owner)]);
    }

    /** @return list<int> the parts that are missing; with none, it is done */
    private function prepare(TakeRecord $take, int $parts, Stories $stories): array
    {
        $this->entities->refresh($take);
        if (!$take->finished) {
            $held = $this->entities->getRepository(TakePart::class)->findBy(['take' => $take], ['number' => 'ASC']);
            $missing = array_values(array_diff(range(0, $parts - 1), array_map(static fn(TakePart $p): int => $p->number, $held)));
            if ([] !== $missing) {
                return $missing;
            }
            $measured = $this->join($take, $held);
            $take->peaks = self::drawn($measured->peaks);
            $take->finished = true;
            $stories->edit($take->story, [new AddVoice($measured->voice((string) $take->id, $take->file), $take->slide)], null, $take->story->owner);
        }

        return [];
    }

    #[Route('/api/takes/{id}/sound.flac', name: 'take_sound', methods: ['GET'], requirements: ['id' => Requirement::UUID])]
    #[IsGranted(TakeVoter::OWN, 'take')]
    public function sound(#[MapEntity] TakeRecord $take): Response
    {
        return $take->finished ? Media::of($this->store, $take->key(), 'audio/flac') : throw new NotFoundHttpException();
    }

    /**
     * @param list<TakePart> $parts
     *
     * @throws Unreadable the parts stay where they are
     */
    private function join(TakeRecord $take, array $parts): MeasuredSound
    {
        $scratch = new Scratch();
        $whole = fopen($scratch->path('whole'), 'w') ?: throw new \RuntimeException('The disk is full.');
        foreach ($parts as $part) {
            $from = fopen($this->store->near($this->store->has($part->key()) ? $part->key() : $part->earlierKey()), 'r') ?: throw new \RuntimeException('A part is missing.');
            stream_copy_to_stream($from, $whole);
            fclose($from);
        }
        fclose($whole);
        $new = $scratch->path('take.flac');
        $measured = (new SoundPreparer())->prepare($scratch->path('whole'), $new);
        $this->store->once($take->key(), static fn(string $to): bool => copy($new, $to));

        return $measured;
    }

    /**
     * @param list<float> $peaks
     *
     * @return list<float>
     */
    private static function drawn(array $peaks): array
    {
        return array_map(
            static fn(array $part): float => max([0.0, ...$part]),
            array_chunk($peaks, max(1, (int) ceil(\count($peaks) / self::DRAWN))),
        );
    }

    /** @return array<string, mixed> */
    private function state(TakeRecord $take): array
    {
        return [
            'id' => (string) $take->id,
            'slide' => $take->slide,
            'finished' => $take->finished,
            'parts' => array_map(
                static fn(TakePart $p): int => $p->number,
                $this->entities->getRepository(TakePart::class)->findBy(['take' => $take], ['number' => 'ASC']),
            ),
        ];
    }
}
