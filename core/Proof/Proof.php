<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Story\Bed;
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
    /** Decibels that the quiet should lie under the voice; with less, the noise is heard in every pause (common practice: 30 and more). */
    public const LEAST_DISTANCE = 25.0;
    /** Different kinds of transition in one film (common practice: at most three, cuts aside). */
    public const MOST_TRANSITIONS = 3;
    /** Characters a second that a viewer reads without haste (common practice in subtitling: 15 to 17). */
    public const READING = 15.0;

    /** @return list<Finding> each said once, with its slides: what must be mended first, then in the order of the story */
    public static function read(Story $story, Plan $plan, ?LengthWanted $wanted = null): array
    {
        $findings = self::whole($story, $plan, $wanted);
        foreach ($story->slides as $i => $slide) {
            $label = 'Slide ' . ($i + 1);
            array_push($findings, ...self::pictureOf($story, $slide, $label), ...self::wordsOf($story, $plan, $slide, $i, $label), ...self::voiceOf($story, $slide, $label));
        }

        return Finding::gather($findings);
    }

    /** @return list<Flaw> */
    private static function whole(Story $story, Plan $plan, ?LengthWanted $wanted): array
    {
        $findings = [];
        $shown = array_filter($story->slides, static fn(Slide $s): bool => Layout::Title !== $s->layout);
        if ([] === $shown) {
            return [new Flaw(Severity::Must, 'no-pictures', 'The story has no pictures yet. Bring some in.')];
        }
        if (Layout::Title !== $story->slides[0]->layout) {
            $findings[] = new Flaw(Severity::Should, 'no-title', 'The story does not open with a title slide.', $story->slides[0]->id);
        }
        if (null !== $wanted) {
            $seconds = $plan->seconds();
            if ($seconds < $wanted->least) {
                $findings[] = new Flaw(Severity::Must, 'too-short', \sprintf('The film is %s long, and the assignment asks for at least %s.', self::clock($seconds), self::clock($wanted->least)));
            } elseif ($seconds > $wanted->most) {
                $findings[] = new Flaw(Severity::Must, 'too-long', \sprintf('The film is %s long, and the assignment allows at most %s.', self::clock($seconds), self::clock($wanted->most)));
            }
        }

        $kinds = array_unique(array_map(static fn(Slide $s): string => $story->transitionOf($s)->kind->value, array_filter($story->slides, static fn(Slide $s): bool => TransitionKind::Cut !== $story->transitionOf($s)->kind)));
        if (\count($kinds) > self::MOST_TRANSITIONS) {
            $findings[] = new Flaw(Severity::Should, 'many-joins', \sprintf('The film joins its slides in %d different ways. At most three look calm.', \count($kinds)));
        }

        return [...$findings, ...self::music($story)];
    }

    /** @return list<Flaw> */
    private static function music(Story $story): array
    {
        $findings = [];
        foreach (array_unique(array_map(static fn(Bed $bed): string => $bed->asset, $story->beds)) as $id) {
            $music = $story->music($id);
            if (null === $music) {
                continue;
            }
            if (null === $music->loudness) {
                $findings[] = new Flaw(Severity::Should, 'silent-music', "Nothing can be heard in the music “{$music->file}”.");
            }
            if ($music->source->isEmpty()) {
                $findings[] = new Flaw(Severity::Must, 'no-music-source', "The music “{$music->file}” does not say whose it is. If you made it yourself, say so.");
            } elseif (!$music->source->isComplete()) {
                $findings[] = new Flaw(Severity::Should, 'half-music-source', "The credit of the music “{$music->file}” lacks " . ('' === $music->source->author ? 'its author' : 'its licence') . '.');
            }
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function pictureOf(Story $story, Slide $slide, string $label): array
    {
        if (Layout::Title === $slide->layout) {
            return [];
        }
        $layer = $slide->picture();
        $picture = $story->pictureOf($slide);
        if (null === $layer || null === $picture) {
            return [new Flaw(Severity::Must, 'no-picture', "{$label} has no picture.", $slide->id, '%d slides have no picture.')];
        }
        $ratio = $layer->recipe->ratio($picture);
        $findings = [];
        if ($picture->source->isEmpty()) {
            $findings[] = new Flaw(Severity::Must, 'no-source', "{$label} does not say whose picture it shows. If you made it yourself, say so.", $slide->id, '%d slides do not say whose picture they show. If you made them yourself, say so.');
        } elseif (!$picture->source->isComplete()) {
            $findings[] = new Flaw(Severity::Should, 'half-source', "The credit of {$label} lacks " . ('' === $picture->source->author ? 'its author' : 'its licence') . '.', $slide->id, 'The credits of %d slides lack an author or a licence.');
        }
        if ($layer->recipe->width($picture) < self::LEAST_WIDTH && !Framer::isWhole($layer->fit, $ratio, $story->shape)) {
            $findings[] = new Flaw(Severity::Should, 'small-picture', \sprintf('The picture of %s is only %d pixels wide and will look soft. Find a larger one, or show it whole.', $label, $layer->recipe->width($picture)), $slide->id, 'The pictures of %d slides are small and will look soft. Find larger ones, or show them whole.');
        }
        if (Fit::Fill === $layer->fit && Framer::lostByFilling($ratio, $story->shape) > Framer::MOST_LOST) {
            $findings[] = new Flaw(Severity::Should, 'much-cropped', \sprintf('%s loses %d %% of its picture at the edges. Show it whole, or check that nothing that matters is cut off.', $label, (int) round(100 * Framer::lostByFilling($ratio, $story->shape))), $slide->id, '%d slides lose much of their pictures at the edges. Show them whole, or check that nothing that matters is cut off.');
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function wordsOf(Story $story, Plan $plan, Slide $slide, int $index, string $label): array
    {
        $planned = $plan->scenes[$index];
        $findings = self::moveOf($planned, $slide, $label);
        if ([] !== array_filter($planned->words(), static fn(PlannedWords $words): bool => !$words->block->fits)) {
            $findings[] = new Flaw(Severity::Must, 'words-too-long', "The words on {$label} are too many to be read. Keep one plain fact, and say the rest.", $slide->id, 'The words on %d slides are too many to be read. Keep one plain fact, and say the rest.');
        }
        $shown = array_map(static fn(WordsRole $role): string => $slide->words($role)?->shown($story->title) ?? '', WordsRole::cases());
        $needed = mb_strlen(implode('', $shown)) / self::READING;
        $alone = Rate::seconds($planned->end - $planned->start - $planned->comesIn);
        if ($needed > $alone) {
            $findings[] = new Flaw(Severity::Should, 'too-fast-to-read', \sprintf('The words on %s need about %d seconds to read, and it stays for %s.', $label, (int) ceil($needed), self::seconds($alone)), $slide->id, 'The words on %d slides need longer to read than the slides stay.');
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function moveOf(Scene $planned, Slide $slide, string $label): array
    {
        $move = $planned->picture()?->move;
        if (null === $move) {
            return [];
        }
        $comfort = Comfort::of($move, Rate::seconds($planned->gone() - $planned->start));

        return $comfort->isCalm() ? [] : [new Flaw(Severity::Should, 'fast-move', $comfort->zoom > Comfort::MOST_ZOOM
            ? \sprintf('%s goes closer or further by %d %% a second, which makes some people feel sick. Frame less of a way, or let it stay longer.', $label, (int) round(100 * $comfort->zoom))
            : \sprintf('%s moves across its picture by %d %% of the width a second, which makes some people feel sick. Frame less of a way, or let it stay longer.', $label, (int) round(100 * $comfort->pan)), $slide->id, '%d slides move so fast that some people feel sick. Frame less of a way, or let them stay longer.')];
    }

    /** @return list<Flaw> */
    private static function voiceOf(Story $story, Slide $slide, string $label): array
    {
        $take = $story->voiceOf($slide);
        if (null === $take) {
            return '' === trim($slide->script)
                ? []
                : [new Flaw(Severity::Should, 'script-unspoken', "{$label} has a script, but nobody speaks it yet.", $slide->id, '%d slides have a script, but nobody speaks it yet.')];
        }
        $findings = [];
        if (null === $take->loudness) {
            $findings[] = new Flaw(Severity::Must, 'silent', "Nothing can be heard in the recording of {$label}. Record it again.", $slide->id, 'Nothing can be heard in the recordings of %d slides. Record them again.');
        } elseif ($take->loudness < Loudness::TOO_QUIET) {
            $findings[] = new Flaw(Severity::Should, 'too-quiet', "The recording of {$label} is very quiet, so its noise will be heard. Speak nearer to the microphone.", $slide->id, 'The recordings of %d slides are very quiet, so their noise will be heard. Speak nearer to the microphone.');
        }
        if ($take->clipped || $take->peak >= Loudness::CLIPPED) {
            $findings[] = new Flaw(Severity::Should, 'clipped', "The recording of {$label} is too loud and crackles. Record it again a little further from the microphone.", $slide->id, 'The recordings of %d slides are too loud and crackle. Record them again a little further from the microphone.');
        }
        if (null !== $take->noise && $take->noise < self::LEAST_DISTANCE) {
            $findings[] = new Flaw(Severity::Should, 'noisy', "There is much noise behind the voice of {$label}. Find a quieter place, or speak nearer to the microphone.", $slide->id, 'There is much noise behind the voices of %d slides. Find a quieter place, or speak nearer to the microphone.');
        }
        if ('' === trim($slide->script) && null === $story->captions) {
            $findings[] = new Flaw(Severity::Should, 'no-script', "{$label} is spoken without a script, so it has no captions for those who cannot hear.", $slide->id, '%d slides are spoken without a script, so they have no captions for those who cannot hear.');
        }

        return $findings;
    }

    private static function clock(float $seconds): string
    {
        $whole = (int) round($seconds);

        return \sprintf('%d:%02d', intdiv($whole, 60), $whole % 60);
    }

    private static function seconds(float $seconds): string
    {
        return rtrim(rtrim(number_format($seconds, 1), '0'), '.') . ' s';
    }
}
