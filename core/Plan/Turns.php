<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Framing\Moments;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Words\Units;

/** When what lies in the cells of a slide comes, where it comes one after another. The first is there from the beginning. */
final class Turns
{
    /** What ends a sentence, in the scripts that end one with a sign. */
    private const ENDS = '/[.!?…。！？।؟۔][\p{Pe}\p{Pf}\p{Quotation_Mark}"\']*\s*$/u';

    /**
     * @param float $alone seconds that the slide is alone, from when its own clock begins
     *
     * @return list<float|null> for each cell, seconds from when the slide begins to be seen; null from the beginning
     */
    public static function of(Slide $slide, string $language, Moments $moments, float $alone): array
    {
        $cells = $slide->layout->cells();
        if (0 === $cells || Sequence::Together === $slide->sequence) {
            return array_fill(0, $cells, null);
        }
        $words = Sequence::Spoken === $slide->sequence && [] !== $slide->voice ? self::words($slide->script, $language, $cells) : [];

        return [null, ...array_map(
            static fn(int $cell): float => isset($words[$cell]) ? $moments->ofWord($words[$cell]) : $moments->begins() + $alone * $cell / $cells,
            range(1, $cells - 1),
        )];
    }

    /**
     * With which word of the script each comes: the first of a sentence, the nearest to where its turn would be; where there are
     * fewer sentences than cells, the word itself that stands there.
     *
     * @return array<int, int> word by cell, from the second on; none where the script has too few
     */
    private static function words(string $script, string $language, int $cells): array
    {
        $units = Units::of($script, $language);
        $starts = [];
        foreach ($units as $i => $unit) {
            if ($i > 0 && 1 === preg_match(self::ENDS, $units[$i - 1]->text)) {
                $starts[] = $i;
            }
        }
        if (\count($units) < $cells) {
            return [];
        }
        $words = [];
        for ($cell = 1; $cell < $cells; ++$cell) {
            $wanted = intdiv(\count($units) * $cell, $cells);
            if (\count($starts) >= $cells - 1) {
                // Those that come after it need one each.
                $free = \array_slice($starts, 0, \count($starts) - ($cells - 1 - $cell));
                $free = array_values(array_filter($free, static fn(int $start): bool => $start > ($words[$cell - 1] ?? 0)));
                usort($free, static fn(int $a, int $b): int => abs($a - $wanted) <=> abs($b - $wanted));
                $wanted = $free[0] ?? $wanted;
            }
            $words[$cell] = $wanted;
        }

        return $words;
    }
}
