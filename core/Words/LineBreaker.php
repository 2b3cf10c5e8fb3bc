<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/**
 * Breaks text into lines of even length, at the places where Unicode allows (UAX #14, through ICU), so that languages
 * without spaces break too. Line breaks that the writer made are kept.
 */
final readonly class LineBreaker
{
    public function __construct(private TextWidths $widths, private string $language = 'en') {}

    /**
     * @param float $room the widest a line may be, in em
     *
     * @return list<string>
     */
    public function lines(string $text, Type $type, float $room): array
    {
        $lines = [];
        foreach (explode("\n", trim($text)) as $paragraph) {
            array_push($lines, ...$this->paragraph(trim($paragraph), $type, $room));
        }

        return $lines;
    }

    /** @return list<string> */
    private function paragraph(string $text, Type $type, float $room): array
    {
        if ('' === $text) {
            return [''];
        }
        $pieces = $this->pieces($text, $type, $room);
        $greedy = self::fill($pieces, $room);
        if (1 === \count($greedy)) {
            return $greedy;
        }
        // The narrowest room that needs no more lines gives the most even ones.
        $low = $room / 2;
        $high = $room;
        for ($i = 0; $i < 8; ++$i) {
            $middle = ($low + $high) / 2;
            if (self::count($pieces, $middle) <= \count($greedy)) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }

        return self::fill($pieces, $high);
    }

    /**
     * @param list<array{string, float, float}> $pieces
     *
     * @return list<string>
     */
    private static function fill(array $pieces, float $room): array
    {
        $lines = [];
        $line = '';
        $used = 0.0;
        foreach ($pieces as [$piece, $width, $bare]) {
            if ('' !== $line && $used + $bare > $room) {
                $lines[] = rtrim($line);
                $line = '';
                $used = 0.0;
            }
            $line .= $piece;
            $used += $width;
        }
        $lines[] = rtrim($line);

        return $lines;
    }

    /**
     * How many lines fill() would give.
     *
     * @param list<array{string, float, float}> $pieces
     */
    private static function count(array $pieces, float $room): int
    {
        $lines = 1;
        $used = 0.0;
        foreach ($pieces as [, $width, $bare]) {
            if ($used > 0 && $used + $bare > $room) {
                ++$lines;
                $used = 0.0;
            }
            $used += $width;
        }

        return $lines;
    }

    /** @return list<array{string, float, float}> the unbreakable pieces, their widths with and without the space behind them; one wider than the room is cut by characters */
    private function pieces(string $text, Type $type, float $room): array
    {
        $pieces = [];
        foreach (Breaks::lines($text, $this->language) as $part) {
            $bare = $this->widths->width(rtrim($part), $type);
            $width = $bare + (str_ends_with($part, ' ') ? $this->widths->width(' ', $type) : 0.0);
            if ($bare <= $room) {
                $pieces[] = [$part, $width, $bare];
                continue;
            }
            preg_match_all('/\X/u', $part, $clusters);
            foreach ($clusters[0] as $cluster) {
                $width = $this->widths->width($cluster, $type);
                $pieces[] = [$cluster, $width, $width];
            }
        }

        return $pieces;
    }
}
