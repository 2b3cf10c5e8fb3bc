<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/**
 * Six digits that a device of one's own shows for half a minute: TOTP of RFC 6238 with SHA-1, steps of 30 s and six digits, which
 * is what every authenticator knows. No library for it is to be had where this is built.
 */
final class OneTimeCode
{
    public const STEP = 30;
    public const DIGITS = 6;
    /** Steps before and after, for clocks that differ (RFC 6238, 5.2, which recommends one). */
    private const BESIDE = 1;
    /** RFC 4648, 6. */
    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @param string $secret bytes */
    public static function at(string $secret, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $secret, true);
        /** @var array{1: int} $cut */
        $cut = unpack('N', $hash, \ord($hash[19]) & 0xF);

        return str_pad((string) (($cut[1] & 0x7FFFFFFF) % 10 ** self::DIGITS), self::DIGITS, '0', \STR_PAD_LEFT);
    }

    /**
     * The step that a code is of; null where it is of none that is now.
     *
     * @param string $typed however its digits are parted
     * @param int    $now   seconds since 1970
     */
    public static function step(string $secret, string $typed, int $now): ?int
    {
        $digits = (string) preg_replace('/\s+/', '', $typed);
        $middle = intdiv($now, self::STEP);
        $found = null;
        for ($step = $middle - self::BESIDE; $step <= $middle + self::BESIDE; ++$step) {
            // The later one where two are alike, so that none is good twice.
            $found = hash_equals(self::at($secret, $step), $digits) ? $step : $found;
        }

        return $found;
    }

    /**
     * As it is typed into a device that has no camera.
     *
     * @param string $secret of a whole number of five bytes, so that nothing is to be filled up
     */
    public static function letters(string $secret): string
    {
        $bits = implode('', array_map(static fn(string $byte): string => \sprintf('%08b', \ord($byte)), str_split($secret)));

        return implode('', array_map(static fn(string $five): string => self::BASE32[(int) bindec($five)], str_split($bits, 5)));
    }

    /** What a device's camera reads; whose the account is stands in it. */
    public static function address(string $secret, string $name): string
    {
        return 'otpauth://totp/Rhapsode:' . rawurlencode($name) . '?' . http_build_query(['secret' => self::letters($secret), 'issuer' => 'Rhapsode']);
    }
}
