<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Words;

use Rhapsode\Core\Words\TextWidths;
use Rhapsode\Core\Words\Type;

/**
 * Widths from the advance widths of the six faces (fonts/widths.json, made by fonts/measure.php). Kerning is left out: it
 * makes lines a little narrower than said, never wider. For scripts that the faces lack, and that a system font draws,
 * the figures are upper bounds, so that nothing is cut off.
 */
final class FontWidths implements TextWidths
{
    /** @var array<string, array<int, float>>|null */
    private static ?array $advances = null;

    public function width(string $text, Type $type): float
    {
        $known = self::advances()[$type->key()] ?? [];
        $width = 0.0;
        foreach (mb_str_split($text) as $character) {
            $code = mb_ord($character);
            $width += $known[$code] ?? self::bound($code, $character);
        }

        return $width;
    }

    private static function bound(int $code, string $character): float
    {
        return match (true) {
            // Marks and joiners take no room of their own.
            1 === preg_match('/^[\p{Mn}\p{Cf}]$/u', $character) => 0.0,
            // Wide East Asian characters and emoji (UAX #11).
            $code >= 0x1F000 => 1.35,
            $code >= 0x1100 && $code <= 0x115F, $code >= 0x2E80 && $code <= 0xA4CF, $code >= 0xAC00 && $code <= 0xD7A3,
            $code >= 0xF900 && $code <= 0xFAFF, $code >= 0xFE30 && $code <= 0xFE6F, $code >= 0xFF00 && $code <= 0xFFEF => 1.05,
            $code >= 0x0590 && $code <= 0x08FF => 0.75,
            $code >= 0x0900 && $code <= 0x0DFF => 0.9,
            $code >= 0x2600 && $code <= 0x27BF => 1.35,
            default => 0.8,
        };
    }

    /** @return array<string, array<int, float>> */
    private static function advances(): array
    {
        if (null === self::$advances) {
            /** @var array<string, array<int, float>> $read made by fonts/measure.php */
            $read = json_decode((string) file_get_contents(\dirname(__DIR__) . '/fonts/widths.json'), true, 8, \JSON_THROW_ON_ERROR);
            self::$advances = $read;
        }

        return self::$advances;
    }
}
