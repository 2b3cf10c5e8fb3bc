<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Words\Backing;
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

    /** The picture that words of the slide lie on. */
    public static function under(LayerContext $context): ?PlannedPicture
    {
        $under = null;
        foreach ($context->under as $layer) {
            $under = $layer instanceof PlannedPicture ? $layer : $under;
        }

        return $under;
    }

    /**
     * Their colour and plate follow from the picture under them.
     *
     * @return array{TextBlock, Spot}
     */
    public function set(): array
    {
        $context = $this->context;
        $under = self::under($context);
        // What moves is now dark and now light: words on it stand on their plate.
        $light = null === $under || null !== $under->clip ? null : $context->lights[$under->rendition->lightKey()] ?? null;

        return $context->memo->recall(
            $context->key(
                'on picture',
                $writing = $this->writing($context->language),
                $this->words->place,
                $look = $this->words->isSpoken ? SpokenLines::look($this->words->look) : $this->words->look,
                $this->words->own,
                null === $light || null === $under ? null : [$under->rendition, $under->move],
                $keepsOff = null === $this->words->place ? $this->keepsOff($under) : [],
                null === $this->words->place ? $under?->move : null,
                $taken = $this->taken(),
            ),
            fn(): array => $this->placed(fn(Spot $place): TextBlock => $context->typesetter->onPicture(
                $writing,
                $place,
                $taken,
                $under?->move,
                null !== $light && Form::Whole === $under?->rendition->form ? new WholeLight($light, $under->rendition->ground) : $light,
                $look,
                $this->words->own,
            ), $under, $keepsOff),
        );
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

    private function writing(string $language): Writing
    {
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

    /** @return list<Frame> what it covers only where it cannot do otherwise: faces, and what it names */
    private function keepsOff(?PlannedPicture $under): array
    {
        $target = $this->words->target ?? Point::middle();

        return [
            ...$under->heads ?? [],
            ...WordsRole::Label === $this->words->role ? [Frame::about($target->x, $target->y, self::NAMED, self::NAMED)] : [],
        ];
    }

    /**
     * Where it was told, or at the lowest place at which it covers no face; where it covers one everywhere, where it covers least.
     *
     * @param \Closure(Spot): TextBlock $set
     * @param list<Frame>               $keepsOff of the picture
     *
     * @return array{TextBlock, Spot}
     */
    private function placed(\Closure $set, ?PlannedPicture $under, array $keepsOff): array
    {
        if (null !== $this->words->place || null !== $this->words->own->at || null === $under || [] === $keepsOff) {
            $place = $this->words->place ?? $this->words->role->spots()[0];

            return [$set($place), null === $this->words->own->at ? $place : self::near($this->words->own->at)];
        }
        $best = null;
        foreach ($this->words->role->spots() as $place) {
            $block = $set($place);
            $seen = $block->isEmpty() ? null : $under->move->under($block->area());
            $covered = null === $seen ? 0.0 : array_sum(array_map(static fn(Frame $head): float => $seen->shared($head), $keepsOff));
            if (null === $best || $covered < $best[0] - 1e-9) {
                $best = [$covered, $block, $place];
            }
        }

        return [$best[1], $best[2]];
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
