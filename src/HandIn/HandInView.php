<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\HandIn\News\Said;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Thanks\Thanks;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\WhoSaid;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Proof\Fact;
use Rhapsode\Core\Proof\Facts;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\SlideChange;
use Rhapsode\Core\Story\SlideChanges;
use Rhapsode\Core\Timing\Rate;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;

/** One hand-in as whoever asks for it may see it: the film's slides, so that remarks stand beside them, and the earlier ones of the same story. */
final readonly class HandInView
{
    public function __construct(
        private EntityManagerInterface $entities,
        private PlanMaker $plans,
        private Standing $standing,
        private WhoSaid $whoSaid,
        private AuthorizationCheckerInterface $access,
        private Security $who,
        private Said $said,
    ) {}

    /**
     * What of the story is another than in the hand-in before that stands, and what was said of that one.
     *
     * @param list<HandIn> $all of the story, the first one first
     *
     * @return array<string, mixed>|null null where it is the first
     */
    private static function since(HandIn $handIn, array $all): ?array
    {
        $earlier = array_filter($all, static fn(HandIn $one): bool => $one->number < $handIn->number && HandInState::Withdrawn !== $one->state);
        $before = end($earlier);

        return false === $before ? null : [
            'id' => (string) $before->id,
            'number' => $before->number,
            'remarks' => $before->remarks->map(static fn(Remark $one): array => $one->toArray())->getValues(),
            'changes' => array_map(
                static fn(SlideChange $one): array => $one->toArray(),
                SlideChanges::between($before->film->story(), $handIn->film->story()),
            ),
        ];
    }

    /** @return array<string, mixed> */
    public function whole(HandIn $handIn): array
    {
        $story = $handIn->film->story();
        $plan = $this->plans->plan($story);
        $wanted = $handIn->assignment->wanted();
        $all = $this->entities->getRepository(HandIn::class)->findBy(['story' => $handIn->story], ['number' => 'ASC']);

        $answers = $this->access->isGranted(HandInVoter::ANSWER, $handIn);
        $isMaker = $this->access->isGranted(HandInVoter::WITHDRAW, $handIn);
        $remarks = $answers || $this->access->isGranted(HandInVoter::REMARK, $handIn);
        $reader = $this->reader();
        $peer = null === $reader ? null : $handIn->peer($reader);
        // Guests and who watches it by lot see this one film, and nothing else of it.
        $isOutside = !$answers && !$isMaker;

        $said = $this->whoSaid->of($handIn->story, $story);
        $hides = !$isMaker && ($answers || null !== $peer) && $this->standing->hidesNames($handIn->assignment);

        // What was said to its makers is theirs.
        $isPeer = $isOutside && null !== $peer;

        return ($hides ? ['makers' => []] : []) + ($isPeer ? ['remarks' => [], 'answer' => '', 'answeredAt' => null] : []) + $handIn->toArray() + [
            'mayAnswer' => $answers,
            'before' => $isOutside ? null : self::since($handIn, $all),
            // Its maker reads them with the answer.
            'marks' => !$isOutside && ($answers || !$handIn->state->waits()) ? $handIn->marks()?->toArray() : null,
            'facts' => $isOutside ? [] : array_map(static fn(Fact $one): array => $one->toArray(), Facts::of($story, $plan, Proof::read($story, $plan, $wanted), $wanted)),
            'mayWithdraw' => $isMaker,
            'mayRemark' => $remarks,
            'peer' => $peer?->toArray(),
            'unread' => $isMaker && null !== $reader ? ($this->said->unread([(string) $handIn->id], $reader)[(string) $handIn->id] ?? []) : [],
            'thanks' => $answers || $isMaker ? array_map(static fn(Thanks $one): array => $one->toArray(), $handIn->thanks->getValues()) : [],
            'peers' => self::peers($handIn, $answers, $isMaker),
            'mayInvite' => $this->access->isGranted(HandInVoter::INVITE, $handIn),
            'assignment' => $handIn->assignment->toArray(),
            'slides' => array_map(static fn(Scene $s): array => [
                'id' => $s->id, 'name' => $s->name, 'start' => Rate::seconds($s->start), 'end' => Rate::seconds($s->end),
                'comesIn' => Rate::seconds($s->comesIn), 'voice' => $plan->spoken($s->id), 'saidBy' => $hides ? [] : ($said[$s->id] ?? []),
            ], $plan->scenes),
            'credits' => $plan->credits,
            'all' => array_map(
                static fn(HandIn $h): array => ['id' => (string) $h->id, 'number' => $h->number, 'state' => $h->state->value],
                $isOutside ? [$handIn] : array_values(array_filter($all, fn(HandIn $h): bool => $this->access->isGranted(HandInVoter::READ, $h))),
            ),
        ];
    }

    private function reader(): ?User
    {
        $user = $this->who->getUser();

        return $user instanceof User ? $user : null;
    }

    /** @return list<array<string, mixed>> what was said by who watches it by lot: all of it for who teaches, what is shown for who made it */
    private static function peers(HandIn $handIn, bool $answers, bool $isMaker): array
    {
        $read = $handIn->peers->filter(static fn(PeerAnswer $one): bool => null !== $one->writtenAt && ($answers || ($isMaker && $one->isShown)));

        return array_values(array_map(static fn(PeerAnswer $one): array => $one->toArray(), $read->toArray()));
    }
}
