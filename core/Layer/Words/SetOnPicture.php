<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\Veiled;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\Quotation;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\WholeLight;
use Rhapsode\Core\Words\Writing;

/** Finds where words on a picture stand: where they were told, beside other words, off faces, clear of what lies under them. */
final readonly class SetOnPicture
{
    /** As much of the picture, about the point that a label names, it leaves free. */
    private const NAMED = 0.16;

    public function __construct(private WordsLayer $words, private LayerContext $context) {}

    /** @return list<PlannedPicture> that words of the slide lie on */
    private static function pictures(LayerContext $context): array
    {
        return array_values(array_filter($context->under, static fn(PlannedLayer $layer): bool => $layer instanceof PlannedPicture));
    }

    /** The picture of that layer, or the first. */
    public static function named(LayerContext $context, ?string $layer): ?PlannedPicture
    {
        $pictures = self::pictures($context);
        foreach ($pictures as $picture) {
            if ($picture->id() === $layer) {
                return $picture;
            }
        }

        return $pictures[0] ?? null;
    }

    /**
     * Their colour and plate follow from the picture under them.
     *
     * @return array{TextBlock, Spot}
     */
    public function set(): array
    {
        $context = $this->context;
        $pictures = self::pictures($context);
        $under = 1 === \count($pictures) && null === $pictures[0]->box ? $pictures[0] : null;
        // What moves is now dark and now light, and where several lie so is what is between them: words there stand on their plate.
        $light = null === $under || null !== $under->clip ? null : $context->lights[$under->rendition->lightKey()] ?? null;

        return $context->memo->recall(
            $context->key(
                'on picture',
                $writing = $this->writing(),
                $this->words->place,
                $look = $this->words->isSpoken ? SpokenLines::look($this->words->look) : $this->words->look,
                $this->words->own,
                null === $light || null === $under ? null : [$under->rendition, $under->move, $context->drift],
                $keepsOff = null === $this->words->place ? $this->keepsOff($pictures) : [],
                $taken = $this->taken(),
            ),
            fn(): array => $this->placed(fn(Spot $place): TextBlock => $context->typesetter->onPicture(
                $writing,
                $place,
                $taken,
                $under?->move,
                self::lit($under, $light, $context->drift),
                $look,
                $this->words->own,
            ), $keepsOff),
        );
    }

    private static function lit(?PlannedPicture $under, ?LightUnder $light, ?Drift $drift): ?LightUnder
    {
        if (null === $light) {
            return null;
        }
        $seen = Form::Whole === $under?->rendition->form ? new WholeLight($light, $under->rendition->ground) : $light;

        return null === $drift ? $seen : new Veiled($seen, $drift);
    }

    /** @return list<Frame> what other words take of the slide that are seen at the same time, and were there before */
    private function taken(): array
    {
        $others = [];
        foreach ($this->context->beside as $layer) {
            if ($layer instanceof WordsLayer && $this->words->presence->meets($layer->presence, $this->context->moments)) {
                $others[$layer->id] = true;
            }
        }
        $taken = [];
        foreach ($this->context->under as $layer) {
            if ($layer instanceof PlannedWords && isset($others[$layer->id()])) {
                $taken[] = $layer->block->covers();
            }
        }

        return $taken;
    }

    public function writing(): Writing
    {
        $language = $this->context->language;
        $by = trim($this->words->by);

        return match ($this->words->role) {
            WordsRole::Label => new Writing($this->words->text, sizes: [34, 30, 28], backing: Backing::Plate),
            WordsRole::Name => new Writing($this->words->text, $by, sizes: [38, 34, 30, 28], backing: Backing::Plate),
            WordsRole::Quotation => new Writing(
                Quotation::marked($this->words->text, $language),
                '' === $by ? '' : "— {$by}",
                true,
                [48, 42, 36, 32, 28],
            ),
            default => new Writing($this->words->text),
        };
    }

    /**
     * What it covers only where it cannot do otherwise: faces, and what it names.
     *
     * @param list<PlannedPicture> $pictures
     *
     * @return list<array{PlannedPicture, list<Frame>}> parts of each of them
     */
    private function keepsOff(array $pictures): array
    {
        $target = $this->words->target ?? Point::middle();
        $named = WordsRole::Label === $this->words->role ? self::named($this->context, $this->words->of) : null;

        return array_values(array_filter(array_map(static fn(PlannedPicture $picture): array => [$picture, [
            ...$picture->heads,
            ...$picture === $named ? [Frame::about($target->x, $target->y, self::NAMED, self::NAMED)] : [],
        ]], $pictures), static fn(array $parts): bool => [] !== $parts[1]));
    }

    /** @param list<array{PlannedPicture, list<Frame>}> $keepsOff */
    private static function covered(Frame $area, array $keepsOff): float
    {
        $covered = 0.0;
        foreach ($keepsOff as [$picture, $parts]) {
            $seen = $picture->under($area);
            $covered += null === $seen ? 0.0 : array_sum(array_map(static fn(Frame $part): float => $seen->shared($part), $parts));
        }

        return $covered;
    }

    /**
     * Where it was told, or at the lowest place at which it covers no face; where it covers one everywhere, where it covers least.
     *
     * @param \Closure(Spot): TextBlock $set
     * @param list<array{PlannedPicture, list<Frame>}> $keepsOff
     *
     * @return array{TextBlock, Spot}
     */
    private function placed(\Closure $set, array $keepsOff): array
    {
        if (null !== $this->words->place || null !== $this->words->own->at || [] === $keepsOff) {
            $place = $this->words->place ?? $this->words->role->spots()[0];

            return [$set($place), null === $this->words->own->at ? $place : self::near($this->words->own->at)];
        }
        $best = null;
        foreach ($this->spots() as $place) {
            $block = $set($place);
            $covered = $block->isEmpty() ? 0.0 : self::covered($block->area(), $keepsOff);
            if (null === $best || $covered < $best[0] - 1e-9) {
                $best = [$covered, $block, $place];
            }
        }

        return [$best[1], $best[2]];
    }

    /** @return non-empty-list<Spot> the best first: what names something of one of several pictures stands near that */
    private function spots(): array
    {
        $spots = $this->words->role->spots();
        $near = WordsRole::Label === $this->words->role ? self::named($this->context, $this->words->of)?->box : null;
        if (null !== $near) {
            $away = static fn(Spot $spot): float => abs(0.5 + 0.5 * $spot->across() - $near->x - $near->width / 2)
                + abs(0.5 + 0.5 * $spot->down() - $near->y - $near->height / 2);
            usort($spots, static fn(Spot $a, Spot $b): int => $away($a) <=> $away($b));
        }

        return $spots;
    }

    /** Where words put by hand have come to stand. */
    private static function near(Point $at): Spot
    {
        return match (true) {
            $at->y < 1 / 3 => Spot::Top,
            $at->y > 2 / 3 => Spot::Bottom,
            default => Spot::Middle,
        };
    }
}
