<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Account\SecondStep\Sealing;
use Rhapsode\App\Account\SecondStep\SecondStep;
use Rhapsode\Core\Classroom\OneTimeCode;
use Rhapsode\Core\Document\Fields;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** A grown-up's own account: another password, and a second step at the door. */
final class SecondStepTest extends AppTestCase
{
    private const NEXT = 'a heron on one leg';
    private const KEY = ['name' => 'tara', 'password' => 'a password'];

    protected function setUp(): void
    {
        parent::setUp();
        Clock::set(new MockClock('2026-11-29 12:00:00'));
    }

    protected function tearDown(): void
    {
        Clock::set(new NativeClock());
        parent::tearDown();
    }

    private static function shown(string $secret): string
    {
        return OneTimeCode::at($secret, intdiv(Clock::get()->now()->getTimestamp(), OneTimeCode::STEP));
    }

    /** @return array{string, list<string>} the secret of Tara's device, and the spare codes */
    private function begun(): array
    {
        $told = $this->as('tara')->told('POST', '/api/account/second-step', null, 201);
        parse_str((string) parse_url((string) Fields::of($told)->text('address'), \PHP_URL_QUERY), $query);
        $letters = $query['secret'] ?? '';
        self::assertIsString($letters);
        self::assertSame($letters, str_replace(' ', '', Fields::of($told)->text('secret')));
        $secret = self::bytes($letters);
        self::assertSame('account.wrong-code', $this->told('PUT', '/api/account/second-step', ['code' => '000000'], 422)['code']);
        $spares = $this->told('PUT', '/api/account/second-step', ['code' => self::shown($secret)])['spares'];
        self::assertIsArray($spares);

        return [$secret, array_values(array_map(static fn(mixed $one): string => \is_string($one) ? $one : '', $spares))];
    }

    /** Base 32 of RFC 4648, read as a device reads it. */
    private static function bytes(string $letters): string
    {
        $bits = '';
        foreach (str_split($letters) as $letter) {
            $bits .= \sprintf('%05b', (int) strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $letter));
        }

        return implode('', array_map(static fn(string $byte): string => \chr((int) bindec($byte)), str_split($bits, 8)));
    }

    public function testADeviceIsAskedForAfterThePassword(): void
    {
        [$secret, $spares] = $this->begun();
        self::assertCount(8, array_unique($spares));
        // Whoever turned it on is still in.
        self::assertTrue($this->told('GET', '/api/account')['hasSecondStep']);
        $this->as(null);
        self::assertSame('account.wrong', $this->told('POST', '/api/session/begin', ['password' => 'nothing'] + self::KEY, 401)['code']);
        self::assertSame('account.second-step', $this->told('POST', '/api/session/begin', self::KEY, 401)['code']);
        self::assertSame('null', $this->ask('GET', '/api/session')->getContent());
        // The one that turned it on was good once.
        self::assertSame('account.wrong-code', $this->told('POST', '/api/session/begin', self::KEY + ['code' => self::shown($secret)], 401)['code']);
        Clock::get()->sleep(OneTimeCode::STEP);
        $code = self::shown($secret);
        self::assertSame('Tara', $this->told('POST', '/api/session/begin', self::KEY + ['code' => $code])['firstName']);
        $this->as(null);
        self::assertSame('account.wrong-code', $this->told('POST', '/api/session/begin', self::KEY + ['code' => $code], 401)['code']);
        // A device that is lost.
        $spare = strtolower($spares[2]);
        self::assertSame('Tara', $this->told('POST', '/api/session/begin', self::KEY + ['code' => $spare])['firstName']);
        self::assertSame(7, $this->told('GET', '/api/account')['spares']);
        $this->as(null)->told('POST', '/api/session/begin', self::KEY + ['code' => $spare], 401);
        $this->told('POST', '/api/session/begin', self::KEY + ['code' => ['x']], 401);
    }

    public function testItIsTurnedOffByOnesPasswordOrByWhoRunsTheSchool(): void
    {
        [$secret] = $this->begun();
        self::assertSame('account.step-is-on', $this->told('POST', '/api/account/second-step', null, 409)['code']);
        self::assertSame('account.wrong-password', $this->told('POST', '/api/account/second-step/end', ['password' => 'x'], 422)['code']);
        self::assertFalse($this->told('POST', '/api/account/second-step/end', ['password' => 'a password'])['hasSecondStep']);
        $this->as(null)->told('POST', '/api/session/begin', self::KEY);
        self::assertSame('account.step-not-begun', $this->told('PUT', '/api/account/second-step', ['code' => self::shown($secret)], 409)['code']);

        $this->begun();
        $tara = (string) $this->people['tara']->id;
        $this->as('olga')->told('DELETE', "/api/school/people/{$tara}/second-step", null, 404);
        $this->as('ada')->told('DELETE', '/api/school/people/' . $this->people['ada']->id . '/second-step', null, 404);
        self::assertSame([true], $this->stepsOf('Tara'));
        $this->as('ada');
        self::assertSame(204, $this->ask('DELETE', "/api/school/people/{$tara}/second-step")->getStatusCode());
        self::assertSame([false], $this->stepsOf('Tara'));
        $this->as(null)->told('POST', '/api/session/begin', self::KEY);
    }

    /** @return list<mixed> */
    private function stepsOf(string $name): array
    {
        $steps = [];
        foreach (Fields::of($this->as('ada')->told('GET', '/api/school'))->objects('adults') as $one) {
            if ($name === $one->text('firstName')) {
                $steps[] = $one->flag('hasSecondStep');
            }
        }

        return $steps;
    }

    public function testWithAnotherPasswordWhoeverIsInElsewhereIsOut(): void
    {
        $this->as(null)->told('POST', '/api/session/begin', self::KEY);
        $elsewhere = $this->client->getCookieJar()->all();
        $this->as(null)->told('POST', '/api/session/begin', self::KEY);
        foreach ([['x', self::NEXT, 'account.wrong-password'], ['a password', 'short', 'field.password-short'], ['a password', 'aaaaaaaaaaaa', 'field.password-weak']] as [$now, $next, $code]) {
            self::assertSame($code, $this->told('PUT', '/api/account/password', ['now' => $now, 'next' => $next], 422)['code']);
        }
        $this->told('PUT', '/api/account/password', ['now' => 'a password', 'next' => self::NEXT]);
        self::assertSame('Tara', $this->told('GET', '/api/session')['firstName']);
        $this->as(null);
        foreach ($elsewhere as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        self::assertSame('null', $this->ask('GET', '/api/session')->getContent());
        $this->as(null)->told('POST', '/api/session/begin', self::KEY, 401);
        $this->told('POST', '/api/session/begin', ['password' => self::NEXT] + self::KEY);
    }

    /** Whoever sits down at an open page does not guess the password there. */
    public function testAPasswordIsNotGuessedAtAnOpenPage(): void
    {
        $this->as('hugo');
        $codes = [];
        for ($n = 0; $n < 22; ++$n) {
            $response = $this->ask('POST', '/api/account/second-step/end', ['password' => "guess {$n}"]);
            $codes[] = $response->getStatusCode();
        }
        self::assertSame([422, 429], [$codes[0], $codes[21]]);
        $this->told('PUT', '/api/account/password', ['now' => 'a password', 'next' => self::NEXT], 429);
    }

    public function testTheSecretIsKeptSealedAndTheSpareCodesAsHashes(): void
    {
        [$secret, $spares] = $this->begun();
        $kept = json_encode($this->entities()->getConnection()->fetchAllAssociative('SELECT second_step, spares FROM person'), \JSON_THROW_ON_ERROR);
        self::assertStringNotContainsString(OneTimeCode::letters($secret), $kept);
        self::assertStringNotContainsString(base64_encode($secret), $kept);
        self::assertStringNotContainsString($spares[0], $kept);
        self::assertStringNotContainsString(str_replace(' ', '', $spares[0]), $kept);
        $sealed = (new Sealing('one'))->seal($secret);
        self::assertSame($secret, (new Sealing('one'))->open($sealed));
        self::assertNull((new Sealing('other'))->open($sealed));
        self::assertNull((new Sealing('one'))->open('x'));
        self::assertSame(20, \strlen(SecondStep::secret()));
    }
}
