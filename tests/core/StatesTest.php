<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\AssetAct;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Film\FilmAct;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\HandIn\HandingIn;
use Rhapsode\Core\HandIn\HandInRefusal;
use Rhapsode\Core\HandIn\HandInState;

/** The machines of what has a state: every act in every state. */
final class StatesTest extends TestCase
{
    /** What leads on; each other act leaves a film as it is. */
    public function testAFilm(): void
    {
        $on = [
            'waiting' => ['Begin' => 'making', 'Fail' => 'failed', 'Cancel' => 'cancelled'],
            'making' => ['Concatenate' => 'joining', 'Fail' => 'failed', 'Cancel' => 'cancelled'],
            'joining' => ['Succeed' => 'done', 'Fail' => 'failed', 'Cancel' => 'cancelled'],
            'done' => ['Spoil' => 'failed'],
        ];
        foreach (FilmState::cases() as $state) {
            foreach (FilmAct::cases() as $act) {
                self::assertSame(
                    $on[$state->value][$act->name] ?? $state->value,
                    $state->after($act)->value,
                    "{$state->value}, {$act->name}",
                );
            }
            self::assertSame(!isset($on[$state->value]['Cancel']), $state->isOver());
        }
        self::assertSame(
            [FilmState::Failed, FilmState::Cancelled],
            array_values(array_filter(FilmState::cases(), static fn(FilmState $s): bool => $s->isMadeAgain())),
        );
    }

    public function testAnAsset(): void
    {
        $on = [
            'sending' => ['Finish' => 'waiting'],
            'waiting' => ['Begin' => 'preparing'],
            'preparing' => ['Begin' => 'preparing', 'Succeed' => 'ready', 'Refuse' => 'refused'],
        ];
        foreach (AssetState::cases() as $state) {
            foreach (AssetAct::cases() as $act) {
                self::assertSame(
                    $on[$state->value][$act->name] ?? $state->value,
                    $state->after($act)->value,
                    "{$state->value}, {$act->name}",
                );
            }
            self::assertSame(!isset($on[$state->value]), $state->isOver());
        }
    }

    public function testAHandInIsAnsweredOnce(): void
    {
        self::assertSame(HandInState::Accepted, HandInState::HandedIn->answered(HandInState::Accepted, ''));
        self::assertSame(HandInState::Returned, HandInState::HandedIn->answered(HandInState::Returned, 'The third slide is silent.'));
        self::assertNull(HandInState::HandedIn->remarkRefusal());
        self::assertSame(HandInRefusal::NoAnswer, HandInState::HandedIn->answered(HandInState::HandedIn, 'Well.'));
        self::assertSame(HandInRefusal::ReturnedWithoutAWord, HandInState::HandedIn->answered(HandInState::Returned, ''));
        self::assertSame(HandInState::Accepted, HandInState::Opened->answered(HandInState::Accepted, ''));
        self::assertNull(HandInState::Opened->remarkRefusal());
        foreach ([HandInState::HandedIn, HandInState::Opened, HandInState::Withdrawn] as $no) {
            self::assertSame(HandInRefusal::NoAnswer, HandInState::Opened->answered($no, 'Well.'));
        }
        foreach ([HandInState::Returned, HandInState::Accepted] as $answered) {
            self::assertSame(HandInRefusal::Answered, $answered->remarkRefusal());
            self::assertSame(HandInRefusal::Answered, $answered->answered(HandInState::Accepted, 'Good.'));
        }
    }

    public function testAHandInIsTakenBackUntilItIsOpened(): void
    {
        $opened = ['handed in' => 'opened', 'opened' => 'opened', 'returned' => 'returned', 'accepted' => 'accepted', 'withdrawn' => 'withdrawn!'];
        $withdrawn = ['handed in' => 'withdrawn', 'opened' => 'opened!', 'returned' => 'answered!', 'accepted' => 'answered!', 'withdrawn' => 'withdrawn'];
        $told = static fn(HandInState|HandInRefusal $one): string => $one->value . ($one instanceof HandInRefusal ? '!' : '');
        foreach (HandInState::cases() as $state) {
            self::assertSame($opened[$state->value], $told($state->opened()));
            self::assertSame($withdrawn[$state->value], $told($state->withdrawn()));
        }
        self::assertSame(HandInRefusal::Withdrawn, HandInState::Withdrawn->answered(HandInState::Accepted, ''));
        self::assertSame(HandInRefusal::Withdrawn, HandInState::Withdrawn->remarkRefusal());
    }

    public function testWhatIsLateIsAFact(): void
    {
        foreach (['2026-11-19' => false, '2026-11-20' => false, '2026-11-21' => true, '2027-01-01' => true] as $on => $isLate) {
            self::assertSame($isLate, HandingIn::isLate($on, '2026-11-20'));
        }
    }

    public function testWhatMayBeHandedIn(): void
    {
        self::assertNull(HandingIn::refusal(FilmState::Done, true, null, null));
        self::assertSame(HandInRefusal::FilmNotPlayed, HandingIn::refusal(FilmState::Done, null, null, null));
        self::assertSame(HandInRefusal::FilmDoesNotPlay, HandingIn::refusal(FilmState::Done, false, null, null));
        self::assertNull(HandingIn::refusal(FilmState::Done, true, null, HandInState::HandedIn), 'mended before it was answered');
        self::assertNull(HandingIn::refusal(FilmState::Done, true, null, HandInState::Returned));
        self::assertSame(HandInRefusal::StoryAccepted, HandingIn::refusal(FilmState::Done, true, null, HandInState::Accepted));
        self::assertSame(HandInRefusal::FilmHandedInBefore, HandingIn::refusal(FilmState::Done, true, HandInState::HandedIn, HandInState::HandedIn));
        self::assertNull(HandingIn::refusal(FilmState::Done, true, HandInState::Withdrawn, HandInState::Returned), 'taken back before');
        self::assertSame(HandInRefusal::Closed, HandingIn::refusal(FilmState::Done, true, null, HandInState::Returned, true));
        foreach (FilmState::cases() as $state) {
            self::assertSame(FilmState::Done === $state ? null : HandInRefusal::FilmNotMade, HandingIn::refusal($state, true, null, null));
        }
    }
}
