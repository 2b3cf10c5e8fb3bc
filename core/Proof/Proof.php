<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Framing\Comfort;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\PlannedSlide;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Fit;
use Rhapsode\Core\Story\JoinKind;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** Reads a story before its film is made. */
final class Proof
{
    /** Pixels: a picture narrower than this looks soft on a full slide (common practice: 700 to 800). */
    public const LEAST_WIDTH = 800;
    /** Decibels that the quiet should lie under the voice; with less, the noise is heard in every pause (common practice: 30 and more). */
    public const LEAST_DISTANCE = 25.0;
    /** Different kinds of join in one film (common practice: at most three, cuts aside). */
    public const MOST_JOINS = 3;
    /** Characters a second that a viewer reads without haste (common practice in subtitling: 15 to 17). */
    public const READING = 15.0;

    /** @return list<Finding> each said once, with its slides: what must be mended first, then in the order of the story */
    public static function read(Story $story, Plan $plan, ?LengthWanted $wanted = null): array
    {
        $findings = self::whole($story, $plan, $wanted);
        foreach ($story->slides as $i => $slide) {
            $label = 'Slide ' . ($i + 1);
            array_push($findings, ...self::pictureOf($story, $slide, $label), ...self::wordsOf($plan, $slide, $i, $label), ...self::voiceOf($story, $slide, $label));
        }

        return Finding::gather($findings);
    }

    /** @return list<Flaw> */
    private static function whole(Story $story, Plan $plan, ?LengthWanted $wanted): array
    {
        $findings = [];
        $shown = array_filter($story->slides, static fn(Slide $s): bool => SlideKind::Picture === $s->kind);
        if ([] === $shown) {
            return [new Flaw(Level::Must, 'no-pictures', 'The story has no pictures yet. Bring some in.')];
        }
        if (SlideKind::Title !== $story->slides[0]->kind) {
            $findings[] = new Flaw(Level::Should, 'no-title', 'The story does not open with a title slide.', $story->slides[0]->id);
        }
        if (null !== $wanted) {
            $seconds = $plan->seconds();
            if ($seconds < $wanted->least) {
                $findings[] = new Flaw(Level::Must, 'too-short', \sprintf('The film is %s long, and the assignment asks for at least %s.', self::clock($seconds), self::clock($wanted->least)));
            } elseif ($seconds > $wanted->most) {
                $findings[] = new Flaw(Level::Must, 'too-long', \sprintf('The film is %s long, and the assignment allows at most %s.', self::clock($seconds), self::clock($wanted->most)));
            }
        }

        $kinds = array_unique(array_map(static fn(Slide $s): string => $s->join->kind->value, array_filter($story->slides, static fn(Slide $s): bool => JoinKind::Cut !== $s->join->kind)));
        if (\count($kinds) > self::MOST_JOINS) {
            $findings[] = new Flaw(Level::Should, 'many-joins', \sprintf('The film joins its slides in %d different ways. At most three look calm.', \count($kinds)));
        }

        return [...$findings, ...self::music($story)];
    }

    /** @return list<Flaw> */
    private static function music(Story $story): array
    {
        $findings = [];
        foreach ($story->music as $music) {
            if (!\in_array($music->id, array_map(static fn(Bed $bed): string => $bed->music, $story->beds), true)) {
                continue;
            }
            if (null === $music->loudness) {
                $findings[] = new Flaw(Level::Should, 'silent-music', "Nothing can be heard in the music “{$music->file}”.");
            }
            if ($music->source->isEmpty()) {
                $findings[] = new Flaw(Level::Must, 'no-music-source', "The music “{$music->file}” does not say whose it is. If you made it yourself, say so.");
            } elseif (!$music->source->isComplete()) {
                $findings[] = new Flaw(Level::Should, 'half-music-source', "The credit of the music “{$music->file}” lacks " . ('' === $music->source->author ? 'its author' : 'its licence') . '.');
            }
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function pictureOf(Story $story, Slide $slide, string $label): array
    {
        if (SlideKind::Picture !== $slide->kind) {
            return [];
        }
        $picture = $story->pictureOf($slide);
        if (null === $picture) {
            return [new Flaw(Level::Must, 'no-picture', "{$label} has no picture.", $slide->id, '%d slides have no picture.')];
        }
        $findings = [];
        if ($picture->source->isEmpty()) {
            $findings[] = new Flaw(Level::Must, 'no-source', "{$label} does not say whose picture it shows. If you made it yourself, say so.", $slide->id, '%d slides do not say whose picture they show. If you made them yourself, say so.');
        } elseif (!$picture->source->isComplete()) {
            $findings[] = new Flaw(Level::Should, 'half-source', "The credit of {$label} lacks " . ('' === $picture->source->author ? 'its author' : 'its licence') . '.', $slide->id, 'The credits of %d slides lack an author or a licence.');
        }
        if ($picture->width < self::LEAST_WIDTH && !Framer::isWhole($slide, $picture, $story->shape)) {
            $findings[] = new Flaw(Level::Should, 'small-picture', \sprintf('The picture of %s is only %d pixels wide and will look soft. Find a larger one, or show it whole.', $label, $picture->width), $slide->id, 'The pictures of %d slides are small and will look soft. Find larger ones, or show them whole.');
        }
        if (Fit::Fill === $slide->fit && Framer::lostByFilling($picture, $story->shape) > Framer::MOST_LOST) {
            $findings[] = new Flaw(Level::Should, 'much-cropped', \sprintf('%s loses %d %% of its picture at the edges. Show it whole, or check that nothing that matters is cut off.', $label, (int) round(100 * Framer::lostByFilling($picture, $story->shape))), $slide->id, '%d slides lose much of their pictures at the edges. Show them whole, or check that nothing that matters is cut off.');
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function wordsOf(Plan $plan, Slide $slide, int $index, string $label): array
    {
        $planned = $plan->slides[$index];
        $findings = self::moveOf($planned, $slide, $label);
        if (!$planned->words->fits) {
            $findings[] = new Flaw(Level::Must, 'words-too-long', "The words on {$label} are too many to be read. Keep one plain fact, and say the rest.", $slide->id, 'The words on %d slides are too many to be read. Keep one plain fact, and say the rest.');
        }
        $text = SlideKind::Title === $slide->kind ? $planned->name . $slide->subtitle : $slide->caption->text;
        $needed = mb_strlen(trim($text)) / self::READING;
        $alone = Rate::seconds($planned->end - $planned->start - $planned->joinIn);
        if ($needed > $alone) {
            $findings[] = new Flaw(Level::Should, 'too-fast-to-read', \sprintf('The words on %s need about %d seconds to read, and it stays for %s.', $label, (int) ceil($needed), self::seconds($alone)), $slide->id, 'The words on %d slides need longer to read than the slides stay.');
        }

        return $findings;
    }

    /** @return list<Flaw> */
    private static function moveOf(PlannedSlide $planned, Slide $slide, string $label): array
    {
        $comfort = Comfort::of($planned->move, Rate::seconds($planned->gone() - $planned->start));

        return $comfort->isCalm() ? [] : [new Flaw(Level::Should, 'fast-move', $comfort->zoom > Comfort::MOST_ZOOM
            ? \sprintf('%s goes closer or further by %d %% a second, which makes some people feel sick. Frame less of a way, or let it stay longer.', $label, (int) round(100 * $comfort->zoom))
            : \sprintf('%s moves across its picture by %d %% of the width a second, which makes some people feel sick. Frame less of a way, or let it stay longer.', $label, (int) round(100 * $comfort->pan)), $slide->id, '%d slides move so fast that some people feel sick. Frame less of a way, or let them stay longer.')];
    }

    /** @return list<Flaw> */
    private static function voiceOf(Story $story, Slide $slide, string $label): array
    {
        $take = $story->takeOf($slide);
        if (null === $take) {
            return '' === trim($slide->script)
                ? []
                : [new Flaw(Level::Should, 'script-unspoken', "{$label} has a script, but nobody speaks it yet.", $slide->id, '%d slides have a script, but nobody speaks it yet.')];
        }
        $findings = [];
        if (null === $take->loudness) {
            $findings[] = new Flaw(Level::Must, 'silent', "Nothing can be heard in the recording of {$label}. Record it again.", $slide->id, 'Nothing can be heard in the recordings of %d slides. Record them again.');
        } elseif ($take->loudness < Loudness::TOO_QUIET) {
            $findings[] = new Flaw(Level::Should, 'too-quiet', "The recording of {$label} is very quiet, so its noise will be heard. Speak nearer to the microphone.", $slide->id, 'The recordings of %d slides are very quiet, so their noise will be heard. Speak nearer to the microphone.');
        }
        if ($take->clipped || $take->peak >= Loudness::CLIPPED) {
            $findings[] = new Flaw(Level::Should, 'clipped', "The recording of {$label} is too loud and crackles. Record it again a little further from the microphone.", $slide->id, 'The recordings of %d slides are too loud and crackle. Record them again a little further from the microphone.');
        }
        if (null !== $take->noise && $take->noise < self::LEAST_DISTANCE) {
            $findings[] = new Flaw(Level::Should, 'noisy', "There is much noise behind the voice of {$label}. Find a quieter place, or speak nearer to the microphone.", $slide->id, 'There is much noise behind the voices of %d slides. Find a quieter place, or speak nearer to the microphone.');
        }
        if ('' === trim($slide->script) && null === $story->captions) {
            $findings[] = new Flaw(Level::Should, 'no-script', "{$label} is spoken without a script, so it has no captions for those who cannot hear.", $slide->id, '%d slides are spoken without a script, so they have no captions for those who cannot hear.');
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
