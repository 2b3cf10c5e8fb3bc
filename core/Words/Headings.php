<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Spot;

/**
 * Sets slides of words alone, on their bare ground: a title and what stands below it in the middle; the name of a part at the side at
 * which reading begins, below the middle; at the close who did what, one below the other.
 */
final readonly class Headings
{
    private const LINES = 4;
    /** Between a heading and what stands below it, for the ornament. */
    private const BETWEEN = 54;
    /** Lines of a closing slide that are told apart at a look. */
    private const MADE = 10;

    /** @param bool $isLeftward whether reading begins at the right */
    public function __construct(private Fitting $fitting, private Scheme $scheme, private bool $isLeftward) {}

    /** @return array{TextBlock, TextBlock} title and subtitle, which stand in the middle together */
    public function title(string $title, string $subtitle, WordsLook $look = new WordsLook(), WordsLook $small = new WordsLook()): array
    {
        $above = $this->fitted($title, $this->scheme->heading, [72, 62, 54, 46, 40], $look);
        $below = $this->fitted($subtitle, $this->scheme->text, [32, 28], $small);
        $top = ($this->fitting->height - $above->height() - self::BETWEEN - $below->height()) / 2;

        return $this->together($above, $below, $top, $this->fitting->width / 2, Align::Center, $look, $small);
    }

    /** @return array{TextBlock, TextBlock} its name, and what stands below it */
    public function part(string $name, string $subtitle, WordsLook $look = new WordsLook(), WordsLook $small = new WordsLook()): array
    {
        $below = $this->fitted($subtitle, $this->scheme->text, [32, 28], $small);
        $edge = $this->fitting->width * Spot::EDGE + 30;
        $room = $this->fitting->height * (1 - 2 * Spot::EDGE) - 60 - self::BETWEEN - $below->height();
        // As large as leaves room for what stands below it.
        foreach ([[84, 72, 62, 54, 46, 40], [62, 54, 46, 40], [46, 40], [40]] as $sizes) {
            $above = $this->fitted($name, $this->scheme->heading, $sizes, $look);
            if ($above->height() <= $room) {
                break;
            }
        }
        $top = min($this->fitting->height * 0.56, $this->fitting->height * Spot::EDGE + 30 + $room - $above->height());

        return $this->together(
            $above,
            $below,
            $top,
            $this->isLeftward ? $this->fitting->width - $edge : $edge,
            $this->isLeftward ? Align::Right : Align::Left,
            $look,
            $small,
        );
    }

    /** @return array{TextBlock, TextBlock} the heading, and a line for each who did something */
    public function closing(string $heading, string $made, WordsLook $look = new WordsLook(), WordsLook $small = new WordsLook()): array
    {
        $above = $this->fitted($heading, $this->scheme->heading, [44, 40], $look);
        $below = $this->fitted($made, $this->scheme->text, [40, 34, 30, 28], $small, self::MADE);
        $top = ($this->fitting->height - $above->height() - self::BETWEEN - $below->height()) / 2;

        return $this->together($above, $below, $top, $this->fitting->width / 2, Align::Center, $look, $small, $this->scheme->ink);
    }

    /**
     * @param float       $x    of the middle of both, or of the side at which they begin
     * @param string|null $soft colour of what stands below; null for the softer one
     *
     * @return array{TextBlock, TextBlock}
     */
    private function together(
        Fitted $above,
        Fitted $below,
        float $top,
        float $x,
        Align $align,
        WordsLook $look,
        WordsLook $small,
        ?string $soft = null,
    ): array {
        $middle = $top + $above->height();
        $count = 9;
        $half = $this->half($count);
        $ornament = $this->scheme->ornament->plates(match ($align) {
            Align::Left => $x + $half,
            Align::Right => $x - $half,
            Align::Center => $x,
        }, $middle + 22, $count, $this->scheme->accent);

        return [
            $this->block($above->at($x, $top, $this->standing($look, $this->scheme->ink), $align->value), $ornament, $above->fits),
            $this->block($below->at($x, $middle + self::BETWEEN, $this->standing($small, $soft ?? $this->scheme->soft), $align->value), [], $below->fits),
        ];
    }

    /** Of the width of an ornament of so many stitches. */
    private function half(int $count): float
    {
        $plates = $this->scheme->ornament->plates(0.0, 0.0, $count, $this->scheme->accent);

        return -min([0.0, ...array_map(static fn(Plate $plate): float => $plate->x, $plates)]);
    }

    /** @param non-empty-list<int> $sizes usual ones, largest first */
    private function fitted(string $text, Type $usual, array $sizes, WordsLook $look, int $lines = self::LINES): Fitted
    {
        return $this->fitting->fit($text, $look->type($usual), $this->fitting->safe() - 60, $look->size?->andSmaller() ?? $sizes, $lines);
    }

    /** On the ground words need no plate: what is not clear of it gets an edge. */
    public function standing(WordsLook $look, string $colour): Standing
    {
        $ground = Contrast::luminance($this->scheme->ground);

        return Legibility::standing(new WordsLook(colour: $look->colour ?? $colour, backing: match ($look->backing) {
            Backing::Outline, Backing::Shadow => $look->backing,
            default => Backing::None,
        }), $ground, $ground);
    }

    /**
     * @param list<Line>  $lines
     * @param list<Plate> $plates
     */
    private function block(array $lines, array $plates, bool $fits): TextBlock
    {
        return new TextBlock($this->fitting->width, $this->fitting->height, $lines, $plates, $fits);
    }
}
