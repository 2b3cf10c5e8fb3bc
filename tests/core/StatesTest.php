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
        ];
        foreach (FilmState::cases() as $state) {
            foreach (FilmAct::cases() as $act) {
                self::assertSame(
                    $on[$state->value][$act->name] ?? $state->value,
                    $state->after($act)->value,
                    "{$state->value}, {$act->name}",
                );
            }
            self::assertSame(!isset($on[$state->value]), $state->isOver());
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
        foreach ([HandInState::Returned, HandInState::Accepted] as $answered) {
            self::assertSame(HandInRefusal::Answered, $answered->remarkRefusal());
            self::assertSame(HandInRefusal::Answered, $answered->answered(HandInState::Accepted, 'Good.'));
        }
    }

    public function testWhatMayBeHandedIn(): void
    {
        self::assertNull(HandingIn::refusal(FilmState::Done, false, null));
        self::assertNull(HandingIn::refusal(FilmState::Done, false, HandInState::HandedIn), 'mended before it was answered');
        self::assertNull(HandingIn::refusal(FilmState::Done, false, HandInState::Returned));
        self::assertSame(HandInRefusal::StoryAccepted, HandingIn::refusal(FilmState::Done, false, HandInState::Accepted));
        self::assertSame(HandInRefusal::FilmHandedInBefore, HandingIn::refusal(FilmState::Done, true, HandInState::HandedIn));
        foreach (FilmState::cases() as $state) {
            self::assertSame(FilmState::Done === $state ? null : HandInRefusal::FilmNotMade, HandingIn::refusal($state, false, null));
        }
    }
}
