<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Mux;

use Rhapsode\Core\Sound\Play;
use Rhapsode\Studio\Tool\ToolFailed;

/** A play's gain written out as sound: one 32-bit float for each sample, by which its music is multiplied. */
final class Gains
{
    private const BLOCK = 48_000;

    /** @throws ToolFailed */
    public static function write(Play $play, string $path): void
    {
        $file = fopen($path, 'w') ?: throw ToolFailed::notWritten($path);
        $points = $play->gains;
        $at = $play->at;
        $level = $points[0][1];
        foreach ([...$points, [$play->end(), $points[\count($points) - 1][1]]] as [$sample, $gain]) {
            $sample = max($at, min($play->end(), $sample));
            self::line($file, $level, $gain, $sample - $at);
            [$at, $level] = [$sample, $gain];
        }
        fclose($file);
    }

    /** @param resource $file */
    private static function line($file, float $from, float $to, int $length): void
    {
        for ($done = 0; $done < $length; $done += self::BLOCK) {
            $count = min(self::BLOCK, $length - $done);
            if ($from === $to) {
                $block = str_repeat(pack('g', $from), $count);
            } else {
                $values = [];
                for ($i = $done; $i < $done + $count; ++$i) {
                    $values[] = $from + ($to - $from) * $i / $length;
                }
                $block = pack('g*', ...$values);
            }
            if (\strlen($block) !== fwrite($file, $block)) {
                throw ToolFailed::notWritten('gains');
            }
        }
    }
}
