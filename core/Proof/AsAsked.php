<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Asset\Licence;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** What a story lacks of what its assignment asks. */
final class AsAsked
{
    /** @return list<Flaw> of the whole */
    public static function whole(Story $story, Plan $plan, Wanted $wanted): array
    {
        $seconds = $plan->seconds();
        $slides = \count($story->slides);

        return self::asked([
            ...match ($wanted->length($seconds)) {
                'too-short' => [new Flaw(Severity::Must, 'too-short', ['length' => self::clock($seconds), 'least' => self::clock($wanted->least)])],
                'too-long' => [new Flaw(Severity::Must, 'too-long', ['length' => self::clock($seconds), 'most' => self::clock($wanted->most)])],
                null => [],
            },
            ...null !== $wanted->leastSlides && $slides < $wanted->leastSlides
                ? [new Flaw(Severity::Must, 'few-slides', ['count' => $slides, 'least' => $wanted->leastSlides])]
                : [],
            ...null !== $wanted->mostSlides && $slides > $wanted->mostSlides
                ? [new Flaw(Severity::Must, 'many-slides', ['count' => $slides, 'most' => $wanted->mostSlides])]
                : [],
        ]);
    }

    /** @return list<Flaw> of one slide */
    public static function ofSlide(Slide $slide, int $number, Wanted $wanted): array
    {
        $letters = $slide->lettersOnPicture();
        $hasPicture = [] !== $slide->pictures() && !$slide->layout->isWordsAlone();

        return self::asked([
            ...null !== $wanted->letters && $letters > $wanted->letters ? [
                new Flaw(Severity::Should, 'many-letters', ['slide' => $number, 'letters' => $letters, 'most' => $wanted->letters], $slide->id),
            ] : [],
            ...$hasPicture && [] === $slide->voice && $wanted->asks(Asked::Voice)
                ? [new Flaw(Severity::Must, 'not-spoken', ['slide' => $number], $slide->id)]
                : [],
            ...$hasPicture && !$slide->isWrittenOn() && $wanted->asks(Asked::Words)
                ? [new Flaw(Severity::Must, 'not-written', ['slide' => $number], $slide->id)]
                : [],
        ]);
    }

    /**
     * What must be mended because the assignment asks for it, and else had better be.
     *
     * @param list<Flaw> $flaws
     *
     * @return list<Flaw>
     */
    public static function weighed(array $flaws, Wanted $wanted): array
    {
        $must = array_merge(...array_map(static fn(Asked $one): array => $one->rules(), $wanted->asked));

        return array_map(static fn(Flaw $flaw): Flaw => \in_array($flaw->rule, $must, true) ? $flaw->asked() : $flaw, $flaws);
    }

    /** @return list<Flaw> where a work may not be used freely, and the assignment asks for such as may be */
    public static function ofLicence(Source $source, Flaw $flaw, ?Wanted $wanted): array
    {
        return true === $wanted?->asks(Asked::Free) && Licence::isRestricted($source->licence) ? [$flaw->asked()] : [];
    }

    /**
     * @param list<Flaw> $flaws
     *
     * @return list<Flaw>
     */
    private static function asked(array $flaws): array
    {
        return array_map(static fn(Flaw $flaw): Flaw => $flaw->asked($flaw->level), $flaws);
    }

    /** Minutes and seconds. */
    public static function clock(float $seconds): string
    {
        $whole = (int) round($seconds);

        return \sprintf('%d:%02d', intdiv($whole, 60), $whole % 60);
    }
}
