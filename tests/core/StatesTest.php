<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\AssetAct;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Film\FilmAct;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\HandIn\HandingIn;
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
                self::assertSame($on[$state->value][$act->name] ?? $state->value, $state->after($act)->value, "{$state->value}, {$act->name}");
            }
            self::assertSame(!isset($on[$state->value]), $state->isOver());
        }
        self::assertSame([FilmState::Failed, FilmState::Cancelled], array_values(array_filter(FilmState::cases(), static fn(FilmState $s): bool => $s->isMadeAgain())));
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
                self::assertSame($on[$state->value][$act->name] ?? $state->value, $state->after($act)->value, "{$state->value}, {$act->name}");
            }
            self::assertSame(!isset($on[$state->value]), $state->isOver());
        }
    }

    public function testAHandInIsAnsweredOnce(): void
    {
        self::assertSame(HandInState::Accepted, HandInState::HandedIn->answered(HandInState::Accepted, ''));
        self::assertSame(HandInState::Returned, HandInState::HandedIn->answered(HandInState::Returned, 'The third slide is silent.'));
        self::assertSame(HandInState::HandedIn, HandInState::HandedIn->remarked());
        foreach ([HandInState::Returned, HandInState::Accepted] as $answered) {
            foreach ([fn() => $answered->remarked(), fn() => $answered->answered(HandInState::Accepted, 'Good.')] as $act) {
                try {
                    $act();
                    self::fail("{$answered->value} was changed");
                } catch (Refused $refused) {
                    self::assertSame('This film is answered already.', $refused->getMessage());
                }
            }
        }
    }

    /** @return iterable<string, array{HandInState}> */
    public static function noAnswers(): iterable
    {
        yield 'to hand in is no answer' => [HandInState::HandedIn];
        yield 'returned without a word' => [HandInState::Returned];
    }

    #[DataProvider('noAnswers')]
    public function testWhatIsNoAnswer(HandInState $to): void
    {
        $this->expectException(Malformed::class);
        HandInState::HandedIn->answered($to, '');
    }

    public function testWhatMayBeHandedIn(): void
    {
        $refusal = static function (FilmState $film, bool $before, ?HandInState $last): ?string {
            try {
                HandingIn::check($film, $before, $last);

                return null;
            } catch (Refused $refused) {
                return $refused->getMessage();
            }
        };
        self::assertNull($refusal(FilmState::Done, false, null));
        self::assertNull($refusal(FilmState::Done, false, HandInState::HandedIn), 'mended before it was answered');
        self::assertNull($refusal(FilmState::Done, false, HandInState::Returned));
        self::assertSame('This story was accepted already.', $refusal(FilmState::Done, false, HandInState::Accepted));
        self::assertSame('This very film is handed in already.', $refusal(FilmState::Done, true, HandInState::HandedIn));
        foreach (FilmState::cases() as $state) {
            self::assertSame(FilmState::Done !== $state, 'This film is not made yet.' === $refusal($state, false, null));
        }
    }
}
