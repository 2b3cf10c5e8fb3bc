<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** What is done to a picture's light and colours. $light, $contrast, $warmth and $colour are -100 to 100, $strength of the look 0 to 100. */
final readonly class Tone
{
    public function __construct(
        public bool $clear = false,
        public int $light = 0,
        public int $contrast = 0,
        public int $warmth = 0,
        public int $colour = 0,
        public ?Look $look = null,
        public int $strength = Limits::TONE,
    ) {}

    public static function read(Fields $in): self
    {
        return new self(
            $in->flag('clear', false),
            $in->whole('light', -Limits::TONE, Limits::TONE, 0),
            $in->whole('contrast', -Limits::TONE, Limits::TONE, 0),
            $in->whole('warmth', -Limits::TONE, Limits::TONE, 0),
            $in->whole('colour', -Limits::TONE, Limits::TONE, 0),
            $in->has('look') ? $in->choice('look', Look::class) : null,
            $in->whole('strength', 0, Limits::TONE, Limits::TONE),
        );
    }

    public function isPlain(): bool
    {
        return [] === $this->toArray();
    }

    /** @return array<string, mixed> what is not as usual */
    public function toArray(): array
    {
        return array_filter([
            'clear' => $this->clear,
            'light' => $this->light,
            'contrast' => $this->contrast,
            'warmth' => $this->warmth,
            'colour' => $this->colour,
            'look' => $this->look?->value,
        ]) + (null !== $this->look && Limits::TONE !== $this->strength ? ['strength' => $this->strength] : []);
    }
}
