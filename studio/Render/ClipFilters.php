<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

use Rhapsode\Core\Picture\ColourTables;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Studio\Tool\Scratch;

/** A recipe as filters of video, but for what it crops: the same turns, the same tables, the same matrix as for pictures (Mending). */
final class ClipFilters
{
    private const TURNS = [0 => [], 90 => ['transpose=clock'], 180 => ['hflip', 'vflip'], 270 => ['transpose=cclock']];
    private const TO_RGB = 'scale=in_color_matrix=bt709:in_range=tv:out_range=pc:flags=bicubic+accurate_rnd+full_chroma_int,format=gbrp';
    private const TO_VIDEO = 'scale=out_color_matrix=bt709:in_range=pc:out_range=tv:flags=bicubic+accurate_rnd+full_chroma_int,format=yuv420p';

    /**
     * @param Levels|null $levels of the clip, where it is to be made clear
     * @param Scratch     $scratch holds its tables for as long as it is used
     *
     * @return list<string>
     */
    public static function of(Recipe $recipe, ?Levels $levels, Scratch $scratch): array
    {
        $straight = 0.0 === $recipe->straighten ? [] : [\sprintf('rotate=a=%.6F:bilinear=1', deg2rad($recipe->straighten))];
        $tables = ColourTables::of($recipe->tone, $levels);
        if ($tables->isPlain()) {
            return [...self::TURNS[$recipe->turn], ...$straight];
        }
        $of = static fn(int $row): string => \sprintf(
            '%1$sr=%2$.6F:%1$sg=%3$.6F:%1$sb=%4$.6F',
            'rgb'[intdiv($row, 3)],
            $tables->matrix[$row],
            $tables->matrix[$row + 1],
            $tables->matrix[$row + 2],
        );

        return [
            ...self::TURNS[$recipe->turn], ...$straight, self::TO_RGB, self::table($tables->in, $scratch->path('in.cube')),
            'colorchannelmixer=' . implode(':', [$of(0), $of(3), $of(6)]),
            self::table([$tables->out, $tables->out, $tables->out], $scratch->path('out.cube')), self::TO_VIDEO,
        ];
    }

    /** @param list<list<int>> $tables of red, green and blue */
    private static function table(array $tables, string $path): string
    {
        $lines = array_map(
            static fn(int $r, int $g, int $b): string => \sprintf('%.6F %.6F %.6F', $r / 255, $g / 255, $b / 255),
            $tables[0],
            $tables[1],
            $tables[2],
        );
        file_put_contents($path, "LUT_1D_SIZE 256\n" . implode("\n", $lines) . "\n");

        return "lut1d=file={$path}:interp=nearest";
    }
}
