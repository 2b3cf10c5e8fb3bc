<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** What of a story can be counted, for whoever judges the rest of it. */
final readonly class Facts
{
    private const UNCLEAR = ['silent', 'too-quiet', 'clipped', 'noisy'];
    private const HARD_TO_READ = ['words-too-long', 'too-fast-to-read'];
    private const NAMELESS = ['no-source', 'half-source'];

    /** @param list<Finding> $findings of the story */
    private function __construct(private Story $story, private Plan $plan, private ?Wanted $wanted, private array $findings) {}

    /**
     * @param list<Finding> $findings of the same story
     *
     * @return list<Fact>
     */
    public static function of(Story $story, Plan $plan, array $findings, ?Wanted $wanted = null): array
    {
        $facts = new self($story, $plan, $wanted, $findings);

        return array_values(array_filter([
            $facts->length(), $facts->slides(), $facts->named(), $facts->spoken(), $facts->clear(), $facts->captioned(), $facts->readable(),
        ]));
    }

    private function length(): Fact
    {
        $length = AsAsked::clock($this->plan->seconds());

        return null === $this->wanted
            ? new Fact(new Message('fact.length', ['length' => $length]), true)
            : new Fact(
                new Message('fact.length-asked', [
                    'length' => $length, 'least' => AsAsked::clock($this->wanted->least), 'most' => AsAsked::clock($this->wanted->most),
                ]),
                null === $this->wanted->length($this->plan->seconds()),
            );
    }

    private function slides(): Fact
    {
        return new Fact(new Message('fact.slides', ['count' => \count($this->story->slides)]), !$this->found(['few-slides', 'many-slides']));
    }

    /** Of all that others may have made: whose it is, and under which licence. */
    private function named(): ?Fact
    {
        $works = array_filter($this->story->used(), static fn(Asset $one): bool => $one instanceof Picture || $one instanceof Music);
        $sources = array_map(static fn(Asset $one): Source => $one->source, $works);
        $named = \count(array_filter($sources, static fn(Source $one): bool => $one->isComplete()));

        return [] === $sources ? null : new Fact(
            new Message('fact.named', ['count' => $named, 'of' => \count($sources)]),
            $named === \count($sources),
            $this->slidesOf(self::NAMELESS),
        );
    }

    private function spoken(): ?Fact
    {
        $pictured = array_filter($this->story->slides, static fn(Slide $s): bool => [] !== $s->pictures() && !$s->layout->isWordsAlone());
        $silent = self::ids(array_filter($pictured, static fn(Slide $s): bool => [] === $s->voice));
        $isAsked = true === $this->wanted?->asks(Asked::Voice);

        return [] === $pictured ? null : new Fact(
            new Message('fact.spoken', ['count' => \count($pictured) - \count($silent), 'of' => \count($pictured)]),
            !$isAsked || [] === $silent,
            $isAsked ? $silent : [],
        );
    }

    /** As it was recorded: in the film all that is spoken is equally loud. */
    private function clear(): ?Fact
    {
        $voices = array_filter(array_map(fn(Slide $s): ?Voice => $this->story->voiceOf($s), $this->story->slides));
        $loudness = array_filter(array_map(static fn(Voice $one): ?float => $one->loudness, $voices), is_float(...));
        $unclear = $this->slidesOf(self::UNCLEAR);
        if ([] === $voices) {
            return null;
        }
        [$clear, $all] = [\count($voices) - \count($unclear), \count($voices)];

        return new Fact(
            [] === $loudness
                ? new Message('fact.clear', ['count' => $clear, 'of' => $all])
                : new Message('fact.clear-loud', ['count' => $clear, 'of' => $all, 'quietest' => round(min($loudness)), 'loudest' => round(max($loudness))]),
            [] === $unclear,
            $unclear,
        );
    }

    private function captioned(): ?Fact
    {
        $spoken = \count(array_filter($this->story->slides, static fn(Slide $s): bool => [] !== $s->voice));
        $without = $this->slidesOf(['no-script']);

        return 0 === $spoken ? null : new Fact(
            new Message('fact.captioned', ['count' => $spoken - \count($without), 'of' => $spoken]),
            [] === $without,
            $without,
        );
    }

    private function readable(): ?Fact
    {
        $written = \count(array_filter($this->story->slides, static fn(Slide $s): bool => $s->isWrittenOn()));
        $hard = $this->slidesOf(self::HARD_TO_READ);

        return 0 === $written ? null : new Fact(
            new Message('fact.readable', ['count' => max(0, $written - \count($hard)), 'of' => $written]),
            [] === $hard,
            $hard,
        );
    }

    /** @param list<string> $rules */
    private function found(array $rules): bool
    {
        return array_any($this->findings, static fn(Finding $one): bool => \in_array($one->rule, $rules, true));
    }

    /**
     * @param list<string> $rules
     *
     * @return list<string> the slides of which any of these was found, in their order
     */
    private function slidesOf(array $rules): array
    {
        $found = array_filter($this->findings, static fn(Finding $one): bool => \in_array($one->rule, $rules, true));
        $slides = array_merge(...array_map(static fn(Finding $one): array => array_keys($one->slides), array_values($found)));

        return self::ids(array_filter($this->story->slides, static fn(Slide $s): bool => \in_array($s->id, $slides, true)));
    }

    /**
     * @param array<Slide> $slides
     *
     * @return list<string>
     */
    private static function ids(array $slides): array
    {
        return array_values(array_map(static fn(Slide $s): string => $s->id, $slides));
    }
}
