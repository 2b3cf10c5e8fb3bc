<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Icon\IconLayer;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Sound\HowItSounds;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Cells;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Timing\Rate;

/** Reads a story before its film is made. */
final class Proof
{
    /** Pixels: a picture narrower than this looks soft on a full slide (common practice: 700 to 800). */
    public const LEAST_WIDTH = 800;
    /** Different kinds of transition in one film (common practice: at most three, cuts aside). */
    public const MOST_TRANSITIONS = 3;
    /** Different kinds of weather and light over slides of one film: a second one is a fair (common practice: effects are used once). */
    public const MOST_DRIFTS = 1;
    /** Characters a second that a viewer reads without haste (common practice in subtitling: 15 to 17). */
    public const READING = 15.0;

    /** @return list<Finding> each said once, with its slides: what must be mended first, then in the order of the story */
    public static function read(Story $story, Plan $plan, ?Wanted $wanted = null): array
    {
        $findings = self::whole($story, $plan, $wanted);
        foreach ($story->slides as $i => $slide) {
            $number = $i + 1;
            array_push(
                $findings,
                ...self::pictureOf($story, $slide, $number, $wanted),
                ...self::wordsOf($story, $plan, $slide, $number),
                ...null === $wanted ? [] : AsAsked::ofSlide($slide, $number, $wanted),
                // Where a voice is asked for, that it is missing is said once.
                ...self::voiceOf($story, $slide, $number, true === $wanted?->asks(Asked::Voice)),
            );
        }

        return Finding::gather(null === $wanted ? $findings : AsAsked::weighed($findings, $wanted));
    }

    /** @return list<Flaw> */
    private static function whole(Story $story, Plan $plan, ?Wanted $wanted): array
    {
        $findings = [];
        $shown = array_filter($story->slides, static fn(Slide $s): bool => !$s->layout->isWordsAlone());
        if ([] === $shown) {
            return [new Flaw(Severity::Must, 'no-pictures')];
        }
        if (Layout::Title !== $story->slides[0]->layout) {
            $flaw = new Flaw(Severity::Should, 'no-title', [], $story->slides[0]->id);
            $findings[] = true === $wanted?->asks(Asked::Title) ? $flaw->asked() : $flaw;
        }
        if (null !== $wanted) {
            array_push($findings, ...AsAsked::whole($story, $plan, $wanted));
        }

        $kinds = array_unique(array_map(
            static fn(Slide $s): string => $story->transitionOf($s)->kind->value,
            array_filter($story->slides, static fn(Slide $s): bool => TransitionKind::Cut !== $story->transitionOf($s)->kind),
        ));
        if (\count($kinds) > self::MOST_TRANSITIONS) {
            $findings[] = new Flaw(Severity::Should, 'many-joins', ['count' => \count($kinds), 'most' => self::MOST_TRANSITIONS]);
        }

        $drifts = array_unique(array_filter(array_map(static fn(Slide $s): ?string => $s->drift?->kind->value, $story->slides)));
        if (\count($drifts) > self::MOST_DRIFTS) {
            $findings[] = new Flaw(Severity::Should, 'many-drifts', ['count' => \count($drifts)]);
        }

        return [...$findings, ...self::backdrop($story), ...self::music($story, $wanted)];
    }

    /** @return list<Flaw> of a picture on the ground that no slide shows: of others the slide is told */
    private static function backdrop(Story $story): array
    {
        $id = $story->style->own->picture;
        $picture = null === $id ? null : $story->picture($id);
        $isShown = [] !== array_filter($story->slides, static fn(Slide $s): bool => \in_array($id, $s->assets(), true));

        return null === $picture || $isShown || !$picture->source->isEmpty() ? [] : [
            new Flaw(Severity::Must, 'no-backdrop-source', ['file' => $picture->file]),
        ];
    }

    /** @return list<Flaw> */
    private static function music(Story $story, ?Wanted $wanted): array
    {
        $findings = [];
        foreach (array_unique(array_map(static fn(Bed $bed): string => $bed->asset, $story->beds)) as $id) {
            $music = $story->music($id);
            if (null === $music) {
                continue;
            }
            if (null === $music->loudness) {
                $findings[] = new Flaw(Severity::Should, 'silent-music', ['file' => $music->file]);
            }
            $notFree = new Flaw(Severity::Must, 'not-free-music', ['file' => $music->file, 'licence' => $music->source->licence]);
            array_push($findings, ...AsAsked::ofLicence($music->source, $notFree, $wanted));
            if ($music->source->isEmpty()) {
                $findings[] = new Flaw(Severity::Must, 'no-music-source', ['file' => $music->file]);
            } elseif (!$music->source->isComplete()) {
                $findings[] = new Flaw(
                    Severity::Should,
                    'half-music-source',
                    ['file' => $music->file, 'lacks' => self::lacks($music->source)],
                );
            }
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function pictureOf(Story $story, Slide $slide, int $number, ?Wanted $wanted): array
    {
        $findings = self::iconsOf($story, $slide, $number, $wanted);
        if ($slide->layout->isWordsAlone()) {
            return array_values($findings);
        }
        if ([] === $slide->pictures()) {
            return [new Flaw(Severity::Must, 'no-picture', ['slide' => $number], $slide->id)];
        }
        $cells = Cells::of($slide->layout, $story->shape, $story->style->scheme()->mount->gap);
        // The same is said once, of however many.
        if ([] !== $slide->emptyCells()) {
            $findings[''] = new Flaw(Severity::Should, 'empty-cell', ['slide' => $number], $slide->id);
        }
        foreach ($slide->pictures() as $layer) {
            $picture = $story->picture($layer->asset);
            $room = null === $layer->cell ? null : $cells[$layer->cell] ?? null;
            foreach (null === $picture ? [] : self::shown($story, $slide, $number, $layer, $picture, $room ?? Frame::all(), $wanted) as $flaw) {
                $findings[$flaw->rule] ??= $flaw;
            }
        }

        return array_values($findings);
    }

    /**
     * @param Frame $part of the slide, that the picture has
     *
     * @return list<Flaw>
     */
    private static function shown(Story $story, Slide $slide, int $number, PictureLayer $layer, Picture $picture, Frame $part, ?Wanted $wanted): array
    {
        $ratio = $layer->recipe->ratio($picture);
        $room = $story->shape->ratio() * $part->width / $part->height;
        $findings = self::sourceOf($picture, $slide, $number, $wanted);
        if ($layer->recipe->width($picture) < self::LEAST_WIDTH * $part->width && !Framer::isWhole(
            $layer->fit,
            $ratio,
            $room,
            $layer->recipe->matters($picture),
            null === $layer->cell ? Framer::MOST_LOST : Framer::MOST_LOST_IN_CELL,
        )) {
            $findings[] = new Flaw(
                Severity::Should,
                'small-picture',
                ['slide' => $number, 'pixels' => $layer->recipe->width($picture)],
                $slide->id,
            );
        }
        if ($layer->liesSideways($picture)) {
            $findings[] = new Flaw(Severity::Should, 'sideways-picture', ['slide' => $number], $slide->id);
        }
        if ($picture->soft) {
            $findings[] = new Flaw(Severity::Should, 'soft-picture', ['slide' => $number], $slide->id);
        }
        if (null !== $picture->unbordered && null === $layer->recipe->crop) {
            $findings[] = new Flaw(Severity::Should, 'black-borders', ['slide' => $number], $slide->id);
        }
        if (Fit::Fill === $layer->fit && Framer::lostByFilling($ratio, $room) > Framer::MOST_LOST) {
            $percent = (int) round(100 * Framer::lostByFilling($ratio, $room));
            $findings[] = new Flaw(Severity::Should, 'much-cropped', ['slide' => $number, 'percent' => $percent], $slide->id);
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function sourceOf(Picture $picture, Slide $slide, int $number, ?Wanted $wanted): array
    {
        $notFree = AsAsked::ofLicence(
            $picture->source,
            new Flaw(Severity::Must, 'not-free', ['slide' => $number, 'licence' => $picture->source->licence], $slide->id),
            $wanted,
        );

        return [...$notFree, ...match (true) {
            $picture->source->isEmpty() => [new Flaw(Severity::Must, 'no-source', ['slide' => $number], $slide->id)],
            !$picture->source->isComplete() => [new Flaw(
                Severity::Should,
                'half-source',
                ['slide' => $number, 'lacks' => self::lacks($picture->source)],
                $slide->id,
            )],
            default => [],
        }];
    }

    /** @return array<string, Flaw> of small pictures that it shows as icons, each kind of flaw once */
    private static function iconsOf(Story $story, Slide $slide, int $number, ?Wanted $wanted): array
    {
        $findings = [];
        foreach ($slide->layers as $layer) {
            $picture = $layer instanceof IconLayer ? $story->picture((string) $layer->asset) : null;
            foreach (null === $picture ? [] : self::sourceOf($picture, $slide, $number, $wanted) as $flaw) {
                $findings[$flaw->rule] ??= $flaw;
            }
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function wordsOf(Story $story, Plan $plan, Slide $slide, int $number): array
    {
        $planned = $plan->scenes[$number - 1];
        $findings = self::moveOf($planned, $slide, $number);
        if ([] !== array_filter($planned->words(), static fn(PlannedWords $words): bool => !$words->block->fits)) {
            $findings[] = new Flaw(Severity::Must, 'words-too-long', ['slide' => $number], $slide->id);
        }
        [$needed, $seen] = self::leastTime($story, $planned, $slide);
        if ($needed > $seen) {
            $findings[] = new Flaw(
                Severity::Should,
                'too-fast-to-read',
                ['slide' => $number, 'needed' => (int) ceil($needed), 'stays' => round($seen, 1)],
                $slide->id,
            );
        }

        return $findings;
    }

    /**
     * All words of a slide are read while it is there, and each while they are: of these, where time is shortest.
     *
     * @return array{float, float} seconds that reading takes, and that there are
     */
    private static function leastTime(Story $story, Scene $planned, Slide $slide): array
    {
        $letters = static fn(WordsLayer $words): float => mb_strlen($words->shown($story->title) . $words->by) / self::READING;
        $times = [[array_sum(array_map($letters, $slide->written())), Rate::seconds($planned->end - $planned->start - $planned->comesIn)]];
        foreach ($planned->words() as $words) {
            $layer = $slide->layer($words->id());
            if ($layer instanceof WordsLayer) {
                $times[] = [$letters($layer), Rate::seconds(self::framesSeen($planned, $words))];
            }
        }
        usort($times, static fn(array $a, array $b): int => $b[0] - $b[1] <=> $a[0] - $a[1]);

        return $times[0];
    }

    /** For how many frames words are seen while their slide is alone. */
    private static function framesSeen(Scene $planned, PlannedWords $words): int
    {
        $seen = 0;
        $end = $planned->end - $planned->start;
        if (1 === \count($words->opacity()->points)) {
            return $end - $planned->comesIn;
        }
        for ($frame = $planned->comesIn; $frame < $end; ++$frame) {
            $seen += $words->opacity()->at($frame) >= 0.5 ? 1 : 0;
        }

        return $seen;
    }

    /** @return list<Flaw> */
    private static function moveOf(Scene $planned, Slide $slide, int $number): array
    {
        $seconds = Rate::seconds($planned->gone() - $planned->start);
        foreach ($planned->pictures() as $picture) {
            if (!Comfort::atMost($picture->move, $seconds)->isCalm()) {
                $found = self::speedOf(Comfort::of($picture->move, $seconds), $slide, $number);
                if ([] !== $found) {
                    return $found;
                }
            }
        }

        return [];
    }

    /** @return list<Flaw> */
    private static function speedOf(Comfort $comfort, Slide $slide, int $number): array
    {

        $isZoom = $comfort->zoom > Comfort::MOST_ZOOM;

        return $comfort->isCalm() ? [] : [new Flaw(Severity::Should, 'fast-move', [
            'slide' => $number, 'way' => $isZoom ? 'zoom' : 'pan', 'percent' => (int) round(
                100 * ($isZoom ? $comfort->zoom : $comfort->pan),
            ),
        ], $slide->id)];
    }

    /** @return list<Flaw> */
    private static function voiceOf(Story $story, Slide $slide, int $number, bool $isAsked): array
    {
        $take = $story->voiceOf($slide);
        if (null === $take) {
            return $isAsked || '' === trim($slide->script)
                ? []
                : [new Flaw(Severity::Should, 'script-unspoken', ['slide' => $number], $slide->id)];
        }
        $findings = array_map(static fn(HowItSounds $flaw): Flaw => new Flaw(
            HowItSounds::Silent === $flaw ? Severity::Must : Severity::Should,
            $flaw->value,
            ['slide' => $number],
            $slide->id,
        ), HowItSounds::of($take));
        if ('' === trim($slide->script) && null === $story->captions) {
            $findings[] = new Flaw(Severity::Should, 'no-script', ['slide' => $number], $slide->id);
        }

        return $findings;
    }

    /** Which of the two a credit cannot do without it lacks. */
    private static function lacks(Source $source): string
    {
        return '' === $source->author ? 'author' : 'licence';
    }
}
