<?php

declare(strict_types=1);

namespace Rhapsode\Core\Timing;

/** The film's two clocks. A frame is a whole number of samples, so picture and sound never drift apart. */
final class Rate
{
    public const FPS = 30;
    public const SAMPLES = 48_000;
    public const SAMPLES_PER_MILLISECOND = self::SAMPLES / 1000;
    public const SAMPLES_PER_FRAME = self::SAMPLES / self::FPS;

    /** The nearest whole frame. */
    public static function frames(float $seconds): int
    {
        return (int) round($seconds * self::FPS);
    }

    public static function seconds(int $frames): float
    {
        return $frames / self::FPS;
    }

    /** The nearest whole sample. */
    public static function samples(float $seconds): int
    {
        return (int) round($seconds * self::SAMPLES);
    }

    /** The first frame at which that many samples are over. */
    public static function framesFor(int $samples): int
    {
        return intdiv($samples + self::SAMPLES_PER_FRAME - 1, self::SAMPLES_PER_FRAME);
    }
}
