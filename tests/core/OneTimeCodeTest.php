<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Classroom\OneTimeCode;

final class OneTimeCodeTest extends TestCase
{
    /** RFC 6238, appendix B: the secret of its SHA-1 cases. */
    private const SECRET = '12345678901234567890';

    /** @return iterable<string, array{int, string}> RFC 6238, appendix B, SHA-1; the last six of its eight digits */
    public static function worked(): iterable
    {
        yield '1970' => [59, '287082'];
        yield '2005' => [1111111109, '081804'];
        yield '2005, two seconds later' => [1111111111, '050471'];
        yield '2009' => [1234567890, '005924'];
        yield '2033' => [2000000000, '279037'];
        yield '2603' => [20000000000, '353130'];
    }

    #[DataProvider('worked')]
    public function testCodesAreThoseOfTheStandard(int $seconds, string $code): void
    {
        self::assertSame($code, OneTimeCode::at(self::SECRET, intdiv($seconds, OneTimeCode::STEP)));
    }

    /** RFC 4226, appendix D: the values for the counts 0 to 9. */
    public function testCountsAreThoseOfTheStandardBelowIt(): void
    {
        $codes = ['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489'];
        self::assertSame($codes, array_map(static fn(int $count): string => OneTimeCode::at(self::SECRET, $count), range(0, 9)));
    }

    public function testACodeIsGoodForItsHalfMinuteAndThoseBesideIt(): void
    {
        $now = 1_234_567_890;
        $step = intdiv($now, 30);
        foreach ([-2 => null, -1 => $step - 1, 0 => $step, 1 => $step + 1, 2 => null] as $off => $found) {
            self::assertSame($found, OneTimeCode::step(self::SECRET, OneTimeCode::at(self::SECRET, $step + $off), $now));
        }
        self::assertSame($step, OneTimeCode::step(self::SECRET, ' 005 924 ', $now));
        foreach (['', '5924', '005925', '0059240', 'x05924', "005924\0"] as $wrong) {
            self::assertNull(OneTimeCode::step(self::SECRET, $wrong, $now));
        }
    }

    /** RFC 4648, 10: its worked examples, those that need no filling up; the secret above, as every authenticator's manual has it. */
    public function testASecretIsWrittenInLettersOfTheStandard(): void
    {
        self::assertSame('MZXW6YTB', OneTimeCode::letters('fooba'));
        self::assertSame('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', OneTimeCode::letters(self::SECRET));
        self::assertSame(
            'otpauth://totp/Rhapsode:ada%40mill?secret=MZXW6YTB&issuer=Rhapsode',
            OneTimeCode::address('fooba', 'ada@mill'),
        );
    }
}
