<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;

/**
 * Words set and placed on a slide: what the studio draws once, for preview and film alike. Its units are pixels of a film
 * whose shorter side has 720.
 */
final readonly class TextBlock
{
    public const SHORTER = 720;
    /** About words, free of all others. */
    public const AIR = 16;

    /** Names the drawing: the same words in the same places have the same name. Empty when there is nothing to draw. */
    private string $hash;

    /**
     * @param list<Line>  $lines
     * @param list<Plate> $plates under the lines; a plate of full opacity and no radius may serve as a rule
     * @param bool        $fits   whether all words found room at a size that can be read
     * @param Frame|null  $body   what they take with the room of a plate about them, as a share of the slide
     * @param float       $slides how many slides it is high: more than one where it passes over the slide
     */
    public function __construct(
        public int $width,
        public int $height,
        public array $lines = [],
        public array $plates = [],
        public bool $fits = true,
        private ?Frame $body = null,
        public float $slides = 1.0,
    ) {
        $this->hash = $this->isEmpty() ? '' : substr(hash('sha256', $this->toJson()), 0, 24);
    }

    public static function bare(Shape $shape): self
    {
        $height = $shape->height(self::SHORTER);

        return new self($shape->width($height), $height);
    }

    public static function read(Fields $in): self
    {
        return new self(
            $in->whole('width', 1, 10_000),
            $in->whole('height', 1, 10_000),
            array_map(Line::read(...), $in->objects('lines')),
            array_map(Plate::read(...), $in->objects('plates')),
            slides: $in->number('slides', 0.0, 100.0, 1.0),
        );
    }

    public function isEmpty(): bool
    {
        return [] === $this->lines && [] === $this->plates;
    }

    /** The same words in another colour. */
    public function coloured(string $colour): self
    {
        return new self(
            $this->width,
            $this->height,
            array_map(static fn(Line $line): Line => $line->coloured($colour), $this->lines),
            $this->plates,
            $this->fits,
            $this->body,
            $this->slides,
        );
    }

    /** All of it as one is taken hold of, and as a line to it ends: with the room of a plate about it, whether there is one or not. */
    public function body(): Frame
    {
        return $this->body ?? $this->covers();
    }

    /** What its lines and what they stand on take of the slide. */
    public function covers(): Frame
    {
        $covered = $this->area();
        foreach ($this->plates as $plate) {
            $covered = $covered->hull(new Frame(
                $plate->x / $this->width,
                $plate->y / $this->height,
                $plate->width / $this->width,
                $plate->height / $this->height,
            ));
        }

        return $covered;
    }

    /** What its lines take of the slide, with a little air about them. */
    public function area(): Frame
    {
        $left = $top = \INF;
        $right = $bottom = 0.0;
        foreach ($this->lines as $line) {
            $from = $line->left();
            [$left, $right] = [min($left, $from - self::AIR), max($right, $from + $line->width + self::AIR)];
            [$top, $bottom] = [min($top, $line->y - self::AIR), max($bottom, $line->y + $line->size + self::AIR)];
        }
        $left = max(0.0, min($this->width - 1, $left));
        $top = max(0.0, min($this->height - 1, $top));

        return new Frame(
            $left / $this->width,
            $top / $this->height,
            (max($left + 1, min($this->width, $right)) - $left) / $this->width,
            (max($top + 1, min($this->height, $bottom)) - $top) / $this->height,
        );
    }

    public function hash(): string
    {
        return $this->hash;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'width' => $this->width, 'height' => $this->height,
            'lines' => array_map(static fn(Line $l): array => $l->toArray(), $this->lines),
            'plates' => array_map(static fn(Plate $p): array => $p->toArray(), $this->plates),
            ...1.0 === $this->slides ? [] : ['slides' => $this->slides],
        ];
    }

    public function toJson(): string
    {
        return json_encode($this->toArray(), \JSON_THROW_ON_ERROR);
    }
}
