<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Spot;

/** Sets the credits: a heading, and its entries below each other, on the bare ground. */
final readonly class CreditsText
{
    private const HEADING = 44;
    /** Of entries, the largest first. The smallest can be read at 360 px of height still. */
    private const SIZES = [28, 25, 22, 20, 18];
    /** Below an entry, in em. */
    private const GAP = 0.5;
    /** From the top of the heading to the ornament, and to the first entry. */
    private const ORNAMENT = 76;
    private const ENTRIES = 108;
    /** The tallest that is drawn in one piece; librsvg draws 32767 pixels, and a film's can be half as large again as these. */
    private const MOST = 9000;

    public function __construct(private Fitting $fitting, private Scheme $scheme, private Standing $standing) {}

    /**
     * All of it on one slide.
     *
     * @param list<string> $entries
     */
    public function page(string $heading, array $entries): TextBlock
    {
        $edge = $this->fitting->height * Spot::EDGE;
        foreach (self::SIZES as $size) {
            $set = $this->set($heading, $entries, $size, $edge + 16, $this->broken(...));
            if ($set['bottom'] <= $this->fitting->height - $edge) {
                break;
            }
        }

        return $this->block($set, $this->fitting->height, $set['bottom'] <= $this->fitting->height - $edge);
    }

    /**
     * As tall as it needs, from its heading to its last entry, to pass over the slide; null where there is too much of it.
     *
     * @param list<string> $entries
     */
    public function roll(string $heading, array $entries): ?TextBlock
    {
        foreach (self::SIZES as $size) {
            $set = $this->set($heading, $entries, $size, 0.0, $this->parted(...));
            if ($set['bottom'] <= self::MOST) {
                return $this->block($set, (int) ceil($set['bottom'] / 2) * 2, true);
            }
        }

        return null;
    }

    /**
     * An entry in lines as pages have had them from the first: a story that was written then has the film that it had.
     *
     * @param float $room in em
     *
     * @return list<string>
     */
    private function broken(string $entry, float $room): array
    {
        return $this->fitting->lines($entry, $this->scheme->text, $room);
    }

    /**
     * The same, and no line begins with the dot between two parts of it, nor ends with it.
     *
     * @param float $room in em
     *
     * @return list<string>
     */
    private function parted(string $entry, float $room): array
    {
        return array_map(
            static fn(string $line): string => (string) preg_replace('/\s·$/u', '', $line),
            $this->broken(str_replace(' · ', "\u{A0}· ", $entry), $room),
        );
    }

    /**
     * @param list<string>                          $entries
     * @param \Closure(string, float): list<string> $lines   divides an entry
     *
     * @return array{lines: list<Line>, plates: list<Plate>, bottom: float}
     */
    private function set(string $heading, array $entries, int $size, float $top, \Closure $lines): array
    {
        $middle = $this->fitting->width / 2;
        $room = $this->fitting->safe() - 40;
        $placed = $this->fitting->fitted([$heading], $this->scheme->heading, self::HEADING, true)->at($middle, $top, $this->standing);
        $y = $top + self::ENTRIES;
        foreach ($entries as $entry) {
            $fitted = $this->fitting->fitted($lines($entry, $room / $size), $this->scheme->text, $size, true);
            array_push($placed, ...$fitted->at($middle, $y, $this->standing));
            $y += $fitted->height() + $size * self::GAP;
        }

        return [
            'lines' => $placed,
            'plates' => $this->scheme->ornament->plates($middle, $top + self::ORNAMENT, 5, $this->scheme->accent),
            'bottom' => $y,
        ];
    }

    /** @param array{lines: list<Line>, plates: list<Plate>, bottom: float} $set */
    private function block(array $set, int $height, bool $fits): TextBlock
    {
        return new TextBlock(
            $this->fitting->width,
            $height,
            $set['lines'],
            $set['plates'],
            $fits,
            slides: $height / $this->fitting->height,
        );
    }
}
