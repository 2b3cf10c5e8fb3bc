<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Asset\Lowered;

/** What is heard beside the voice that a slide speaks, whether it is lowered or not. */
final class Beside
{
    /**
     * @param list<Span> $spans
     *
     * @return array<string, int|float> by Lowered: decibels of noise, how many breaths and clicks; 0 where there is none
     */
    public static function of(Story $story, array $spans): array
    {
        $noise = 0.0;
        $breaths = $clicks = 0;
        foreach ($spans as $span) {
            $voice = $story->voice($span->asset);
            if (null !== $voice) {
                $noise = max($noise, $voice->cleaned);
                $breaths += self::heard($voice->breaths, $span);
                $clicks += self::heard($voice->clicks, $span);
            }
        }

        return [Lowered::Noise->value => round($noise), Lowered::Breaths->value => $breaths, Lowered::Clicks->value => $clicks];
    }

    /** @param list<array{int, int}> $stretches */
    private static function heard(array $stretches, Span $span): int
    {
        return \count(array_filter($stretches, static fn(array $one): bool => $one[0] < $span->to && $one[1] > $span->from));
    }
}
