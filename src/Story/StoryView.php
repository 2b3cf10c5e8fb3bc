<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Shared\SharedMemory;
use Rhapsode\Core\Proof\Finding;
use Rhapsode\Core\Proof\Praise;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;
use Symfony\Component\HttpFoundation\JsonResponse;

/** A story as its owner's page gets it: the document, the plan, what Proof finds, and what hangs on it. */
final readonly class StoryView
{
    private const DRAWN = 240;

    /** @param iterable<ViewPart> $parts */
    public function __construct(
        private EntityManagerInterface $entities,
        private PlanMaker $plans,
        private Stories $stories,
        private Drawings $drawings,
        private SharedMemory $known,
        private WhoSaid $whoSaid,
        #[AutowireIterator(ViewPart::class)]
        private iterable $parts,
    ) {}

    /** @return array<string, mixed> */
    public function of(StoryRecord $record, User $reader): array
    {
        return $this->remembered($record, $reader)[0];
    }

    /**
     * What an act changed, for a page that has the story as it was: a JSON Patch (RFC 6902). The whole story where it is not known
     * here what the page has.
     *
     * @param int $since the revision that the page has
     */
    public function changed(StoryRecord $record, User $reader, int $since): JsonResponse
    {
        $before = $this->known->get(self::key($record, $since));
        [$view, $now] = $this->remembered($record, $reader);
        if (!$before instanceof ViewPatch) {
            return new JsonResponse($view);
        }
        // These may change without the story.
        $ops = array_map(
            static fn(string $key): array => ['op' => 'replace', 'path' => '/' . $key, 'value' => $view[$key]],
            [
                'revision',
                'changedAt',
                'canUndo',
                'canRedo',
                'assignment',
                'makers',
                'saidBy',
                ...array_map(static fn(ViewPart $part): string => $part->name(), [...$this->parts]),
            ],
        );

        return new JsonResponse([...$ops, ...$before->to($now, $view)], 200, ['Content-Type' => 'application/json-patch+json']);
    }

    /** @return array{array<string, mixed>, ViewPatch} the view, and what is remembered of it */
    private function remembered(StoryRecord $record, User $reader): array
    {
        $story = $record->story();
        $plan = $this->plans->plan($story);
        $this->drawings->keep($record, $plan);
        $findings = Proof::read($story, $plan, $record->assignment?->wanted());
        $chosen = array_unique(array_merge(
            ...array_map(static fn(Slide $s): array => array_map(static fn(Span $span): string => $span->asset, $s->voice), $story->slides),
        ));
        $waveforms = [];
        foreach ($this->entities->getRepository(AssetRecord::class)->findBy(['id' => array_values($chosen)]) as $take) {
            $waveforms[(string) $take->id] = self::drawn($take->peaks);
        }

        $view = [
            'id' => (string) $record->id,
            'revision' => $record->revision,
            'changedAt' => $record->changedAt->format(\DATE_RFC3339),
            'story' => $story->toArray(),
            'plan' => $plan->toArray(),
            'praise' => Praise::of($story, $findings, $record->assignment?->wanted()),
            'proof' => array_map(static fn(Finding $f): array => $f->toArray(), $findings),
            'waveforms' => [] === $waveforms ? new \stdClass() : $waveforms,
            'makers' => array_map(static fn(User $one): string => $one->firstName, $record->makers()),
            'saidBy' => (object) $this->whoSaid->of($record, $story),
            ...$this->stories->canStep($record, $reader),
            'assignment' => $record->assignment?->toArray(),
        ];
        foreach ($this->parts as $part) {
            $view[$part->name()] = $part->of($record);
        }
        $known = ViewPatch::remember($view);
        $this->known->set(self::key($record, $record->revision), $known);

        return [$view, $known];
    }

    /**
     * @param list<float> $peaks
     *
     * @return list<float> not more than a row can show
     */
    private static function drawn(array $peaks): array
    {
        $each = intdiv(\count($peaks) - 1, self::DRAWN) + 1;

        return $each <= 1 ? $peaks : array_map(static fn(array $part): float => max([0.0, ...$part]), array_chunk($peaks, $each));
    }

    private static function key(StoryRecord $record, int $revision): string
    {
        return "view {$record->id} {$revision}";
    }
}
