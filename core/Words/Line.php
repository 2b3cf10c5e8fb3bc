<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;

/**
 * One line of words on a slide. $x is its middle, left or right edge by $align; $y the top of its line box, $size the
 * size of its type; $edge the colour of its outline, $shadow of its shadow, null for none. Units: pixels of a frame 720 high.
 */
final readonly class Line
{
    public function __construct(
        public string $text,
        public Type $type,
        public float $x,
        public float $y,
        public float $size,
        public string $colour,
        public string $align,
        public float $width,
        public ?string $edge = null,
        public ?string $shadow = null,
    ) {}

    /** One that stands clear as it was found. */
    public static function standing(
        Standing $standing,
        string $text,
        Type $type,
        float $x,
        float $y,
        float $size,
        string $align,
        float $width,
    ): self {
        return new self($text, $type, $x, $y, $size, $standing->colour, $align, $width, $standing->edge, $standing->shadow);
    }

    public static function read(Fields $in): self
    {
        return new self(
            $in->text('text', 2000),
            new Type($in->choice('face', Face::class), $in->choice('weight', Weight::class, Weight::Semibold)),
            $in->number('x', -10_000, 10_000),
            $in->number('y', -10_000, 10_000),
            $in->number('size', 1, 1000),
            $in->text('colour', 9),
            $in->text('align', 9),
            $in->number('width', 0, 20_000),
            $in->textOrNull('edge', 9),
            $in->textOrNull('shadow', 9),
        );
    }

    /** The same letters in another colour. */
    public function coloured(string $colour): self
    {
        return new self($this->text, $this->type, $this->x, $this->y, $this->size, $colour, $this->align, $this->width, $this->edge, $this->shadow);
    }

    public function bottom(): float
    {
        return $this->y + $this->size * Fitted::LEADING;
    }

    public function left(): float
    {
        return $this->x - match ($this->align) {
            'center' => $this->width / 2,
            'right' => $this->width,
            default => 0.0,
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'text' => $this->text, 'face' => $this->type->face->value, 'x' => round($this->x, 2), 'y' => round($this->y, 2),
            'size' => round($this->size, 2), 'colour' => $this->colour, 'align' => $this->align, 'width' => round($this->width, 2),
            ...Weight::Semibold === $this->type->weight ? [] : ['weight' => $this->type->weight->value],
            ...null === $this->edge ? [] : ['edge' => $this->edge],
            ...null === $this->shadow ? [] : ['shadow' => $this->shadow],
        ];
    }
}
