<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\LiesInCell;
use Rhapsode\Core\Layer\Presence;
use Rhapsode\Core\Words\Legibility;
use Rhapsode\Core\Words\OwnPlace;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Core\Words\WordsLook;

/**
 * Words on a slide. $place is that of words on a picture, null where they choose one themselves, and $own where they were put by
 * hand instead; $by is what somebody is that is named, or whose words these are; $target the point of the picture that a label
 * names, $of which layer's picture where there are several; $isSpoken whether each line lights up as it is said.
 */
final readonly class WordsLayer implements Layer
{
    use LiesInCell;

    private const AUTO = 'auto';

    public function __construct(
        public string $id,
        public WordsRole $role,
        public string $text = '',
        public ?Spot $place = Spot::Bottom,
        public Presence $presence = new Presence(),
        public WordsLook $look = new WordsLook(),
        public string $by = '',
        public OwnPlace $own = new OwnPlace(),
        public ?Point $target = null,
        public bool $isSpoken = false,
        public ?int $cell = null,
        public ?string $of = null,
    ) {}

    public static function read(string $id, Fields $in): self
    {
        $role = $in->choice('role', WordsRole::class, WordsRole::Caption);

        return new self(
            $id,
            $role,
            $in->text('text', WordsRole::Title === $role ? Limits::TITLE : Limits::WORDS, ''),
            self::AUTO === $in->raw('place') ? null : $in->choice('place', Spot::class, Spot::Bottom),
            Presence::read($in),
            WordsLook::read($in),
            $in->text('by', Limits::BY, ''),
            OwnPlace::read($in),
            $in->has('target') ? Point::read($in->object('target')) : null,
            $in->flag('spoken', false),
            $in->wholeOrNull('cell', 0, Limits::CELLS - 1),
            $in->idOrNull('of'),
        );
    }

    public static function fresh(): array
    {
        return ['place' => self::AUTO];
    }

    /** A spot that is chosen is where they stand then, wherever they were put before. */
    public function following(Layer $before, array $told): self
    {
        return isset($told['place']) && !isset($told['at']) ? $this->with(own: $this->own->atItsSpot()) : $this;
    }

    public function scripted(\Closure $place): self
    {
        return $this->with(presence: $this->presence->moved($place));
    }

    public function kind(): LayerKind
    {
        return LayerKind::Words;
    }

    public function asset(): ?string
    {
        return null;
    }

    public function plan(LayerContext $context): array
    {
        $presence = $this->presence->inTurn($context->turn($this->cell));
        $cell = $context->box($this->cell);
        [$block, $place] = match (true) {
            null !== $cell => [$context->typesetter->inCell((new SetOnPicture($this, $context))->writing(), $cell, $this->look, $this->own->align), null],
            $this->role->isOnPicture() => (new SetOnPicture($this, $context))->set(),
            default => [$this->heading($context), null],
        };
        if ($block->isEmpty()) {
            return [];
        }
        $lit = [];
        $opacity = $presence->opacity($context, true);
        if ($this->isSpoken) {
            $lit = SpokenLines::of($this->id, $this->text, $block, $opacity, $context);
            $block = SpokenLines::unlit($block);
        }
        $written = $presence->written($context, Reveal::seconds($block));

        return [
            ...$this->pointer($context, $block),
            new PlannedWords(
                $this->id,
                $block,
                $opacity,
                $place,
                $presence->rise($context),
                null === $written ? null : Reveal::of($block, $written),
            ),
            ...$lit,
        ];
    }

    /** @return list<PlannedPointer> from a label to what it names */
    private function pointer(LayerContext $context, TextBlock $block): array
    {
        $under = SetOnPicture::named($context, $this->of);

        return WordsRole::Label !== $this->role || null !== $this->cell || null === $under ? [] : [new PlannedPointer(
            "{$this->id}-line",
            $block->body(),
            $under->move,
            $this->target ?? Point::middle(),
            $block->lines[0]->colour ?? Legibility::LIGHT,
            Legibility::against($block->lines[0]->colour ?? Legibility::LIGHT),
            $this->presence->opacity($context),
            $under->box,
        )];
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
        [$title, $subtitle] = ($context->headings)(
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
            'place' => $this->place->value ?? self::AUTO, ...$this->presence->toArray(),
            ...$this->look->toArray(),
            ...'' === $this->by ? [] : ['by' => $this->by],
            ...$this->own->toArray(),
            ...null === $this->target ? [] : ['target' => $this->target->toArray()],
            ...$this->isSpoken ? ['spoken' => true] : [],
            ...null === $this->cell ? [] : ['cell' => $this->cell],
            ...null === $this->of ? [] : ['of' => $this->of],
        ];
    }
}
