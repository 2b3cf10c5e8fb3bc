<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Shape\Fields;

/**
 * One slide, as its maker said it. $heading and $subtitle are the words of a title slide. $stay is the time in
 * seconds that a slide without a voice was given, null for the usual one. $trimmed says whether the silence
 * around the take's voice is left out.
 */
final readonly class Slide
{
    public const MIN_STAY = 0.5;
    public const MAX_STAY = 600.0;

    public function __construct(
        public string $id,
        public SlideKind $kind = SlideKind::Picture,
        public ?string $picture = null,
        public Fit $fit = Fit::Auto,
        public Motion $motion = Motion::Auto,
        public ?Frame $opensOn = null,
        public ?Frame $closesOn = null,
        public string $heading = '',
        public string $subtitle = '',
        public Caption $caption = new Caption(),
        public string $script = '',
        public ?string $take = null,
        public bool $trimmed = true,
        public ?float $stay = null,
        public Join $join = new Join(),
    ) {}

    public static function read(Fields $in): self
    {
        return new self(
            $in->id('id'),
            $in->choice('kind', SlideKind::class, SlideKind::Picture),
            $in->idOrNull('picture'),
            $in->choice('fit', Fit::class, Fit::Auto),
            $in->choice('motion', Motion::class, Motion::Auto),
            $in->has('opensOn') ? Frame::read($in->object('opensOn')) : null,
            $in->has('closesOn') ? Frame::read($in->object('closesOn')) : null,
            $in->text('heading', 120, ''),
            $in->text('subtitle', 200, ''),
            $in->has('caption') ? Caption::read($in->object('caption')) : new Caption(),
            $in->text('script', 5000, ''),
            $in->idOrNull('take'),
            $in->flag('trimmed', true),
            $in->numberOrNull('stay', self::MIN_STAY, self::MAX_STAY),
            $in->has('join') ? Join::read($in->object('join')) : new Join(),
        );
    }

    /** The same slide with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind->value,
            'picture' => $this->picture,
            'fit' => $this->fit->value,
            'motion' => $this->motion->value,
            'opensOn' => $this->opensOn?->toArray(),
            'closesOn' => $this->closesOn?->toArray(),
            'heading' => $this->heading,
            'subtitle' => $this->subtitle,
            'caption' => $this->caption->toArray(),
            'script' => $this->script,
            'take' => $this->take,
            'trimmed' => $this->trimmed,
            'stay' => $this->stay,
            'join' => $this->join->toArray(),
        ];
    }
}
