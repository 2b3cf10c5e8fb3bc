<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Quotation;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\WholeLight;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Core\Words\Writing;

/** Words on a slide. $comes and $goes are seconds of the slide; null for all of its time. $place is that of words on a picture, null where they
 * choose one themselves; $by is what somebody is that is named, or whose words these are. */
final readonly class WordsLayer implements Layer
{
    private const AUTO = 'auto';

    public function __construct(
        public string $id,
        public WordsRole $role,
        public string $text = '',
        public ?Spot $place = Spot::Bottom,
        public ?float $comes = null,
        public ?float $goes = null,
        public WordsLook $look = new WordsLook(),
        public string $by = '',
    ) {}

    public static function read(string $id, Fields $in): self
    {
        $role = $in->choice('role', WordsRole::class, WordsRole::Caption);

        return new self(
            $id,
            $role,
            $in->text('text', WordsRole::Title === $role ? Limits::TITLE : Limits::WORDS, ''),
            self::AUTO === $in->raw('place') ? null : $in->choice('place', Spot::class, Spot::Bottom),
            $in->numberOrNull('comes', 0, Limits::MOST_STAY),
            $in->numberOrNull('goes', 0, Limits::MOST_STAY),
            WordsLook::read($in),
            $in->text('by', Limits::BY, ''),
        );
    }

    public static function fresh(): array
    {
        return ['place' => self::AUTO];
    }

    public function following(Layer $before, array $told): self
    {
        return $this;
    }

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): LayerKind
    {
        return LayerKind::Words;
    }

    public function asset(): ?string
    {
        return null;
    }

    public function plan(LayerContext $context): ?PlannedWords
    {
        [$block, $place] = $this->role->isOnPicture() ? $this->onPicture($context) : [$this->heading($context), null];

        return $block->isEmpty() ? null : new PlannedWords(
            $this->id,
            $block,
            Envelope::comingAndGoing($this->comes, $this->goes, $context->frames, Rate::FPS),
            $place,
        );
    }

    /**
     * Its colour and plate follow from the picture under it.
     *
     * @return array{TextBlock, Spot}
     */
    private function onPicture(LayerContext $context): array
    {
        $under = null;
        foreach ($context->under as $layer) {
            $under = $layer instanceof PlannedPicture ? $layer : $under;
        }
        // What moves is now dark and now light: words on it stand on their plate.
        $light = null === $under || null !== $under->clip ? null : $context->lights[$under->rendition->lightKey()] ?? null;

        return $context->memo->recall(
            $context->key(
                'on picture',
                $writing = $this->writing($context->language),
                $this->place,
                $this->look->toArray(),
                null === $light || null === $under ? null : [$under->rendition, $under->move],
                null === $this->place ? $under?->heads : null,
                null === $this->place ? $under?->move : null,
                $taken = $this->taken($context),
            ),
            fn(): array => $this->placed(fn(Spot $place): TextBlock => $context->typesetter->onPicture(
                $writing,
                $place,
                $taken,
                $under?->move,
                null !== $light && Form::Whole === $under?->rendition->form ? new WholeLight($light, $under->rendition->ground) : $light,
                $this->look,
            ), $under),
        );
    }

    /** @return list<Frame> what other words take of the slide that are seen at the same time, and were there before */
    private function taken(LayerContext $context): array
    {
        $others = [];
        foreach ($context->beside as $layer) {
            if ($layer instanceof self && max($this->comes ?? 0.0, $layer->comes ?? 0.0) < min($this->goes ?? \INF, $layer->goes ?? \INF)) {
                $others[$layer->id] = true;
            }
        }
        $taken = [];
        foreach ($context->under as $layer) {
            if ($layer instanceof PlannedWords && isset($others[$layer->id()])) {
                $taken[] = $layer->block->covers();
            }
        }

        return $taken;
    }

    private function writing(string $language): Writing
    {
        $by = trim($this->by);

        return match ($this->role) {
            WordsRole::Name => new Writing($this->text, $by, sizes: [38, 34, 30, 28], backing: Backing::Plate),
            WordsRole::Quotation => new Writing(
                Quotation::marked($this->text, $language),
                '' === $by ? '' : "— {$by}",
                Face::Reading,
                [48, 42, 36, 32, 28],
            ),
            default => new Writing($this->text),
        };
    }

    /**
     * Where it was told, or at the lowest place at which it covers no face; where it covers one everywhere, where it covers least.
     *
     * @param \Closure(Spot): TextBlock $set
     *
     * @return array{TextBlock, Spot}
     */
    private function placed(\Closure $set, ?PlannedPicture $under): array
    {
        if (null !== $this->place || null === $under || [] === $under->heads) {
            $place = $this->place ?? $this->role->spots()[0];

            return [$set($place), $place];
        }
        $best = null;
        foreach ($this->role->spots() as $place) {
            $block = $set($place);
            $seen = $block->isEmpty() ? null : $under->move->under($block->area());
            $covered = null === $seen ? 0.0 : array_sum(array_map(static fn(Frame $head): float => $seen->shared($head), $under->heads));
            if (null === $best || $covered < $best[0] - 1e-9) {
                $best = [$covered, $block, $place];
            }
        }

        return [$best[1], $best[2]];
    }

    /** Title and subtitle stand together, so that each is set with the other. */
    private function heading(LayerContext $context): TextBlock
    {
        $of = static function (WordsRole $role) use ($context): self {
            foreach ($context->beside as $layer) {
                if ($layer instanceof self && $layer->role === $role) {
                    return $layer;
                }
            }

            return new self('', WordsRole::Caption);
        };
        [$above, $below] = [$of(WordsRole::Title), $of(WordsRole::Subtitle)];
        [$title, $subtitle] = $context->typesetter->title(
            $above->shown($context->title),
            $below->shown($context->title),
            $above->look,
            $below->look,
        );

        return WordsRole::Title === $this->role ? $title : $subtitle;
    }

    /** @param string $title of the story */
    public function shown(string $title): string
    {
        $text = trim($this->text);

        return WordsRole::Title === $this->role && '' === $text ? $title : $text;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind()->value, 'role' => $this->role->value, 'text' => $this->text,
            'place' => $this->place->value ?? self::AUTO, 'comes' => $this->comes, 'goes' => $this->goes,
            ...$this->look->toArray(),
            ...'' === $this->by ? [] : ['by' => $this->by],
        ];
    }
}
