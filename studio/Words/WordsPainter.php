<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Words;

use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\Line;
use Rhapsode\Core\Words\Plate;
use Rhapsode\Core\Words\Sheet;
use Rhapsode\Studio\Tool\Tool;

/**
 * Draws a sheet of words as a transparent PNG, through SVG and librsvg: its text is laid out by Pango, which shapes any
 * script and falls back between fonts. Text is written as XML character data, so no character in it means anything.
 */
final class WordsPainter
{
    private const FAMILY = ['reading' => 'Literata', 'plain' => 'Atkinson Hyperlegible Next'];
    /** Where the baseline lies in the line box, in em from its top. */
    private const BASELINE = 0.98;

    public function paint(Sheet $sheet, string $path, int $height): void
    {
        Tool::run(['rsvg-convert', '--height', (string) $height, '--keep-aspect-ratio', '--format', 'png', '--output', $path], 30, 3000, $this->svg($sheet));
    }

    public function svg(Sheet $sheet): string
    {
        $shapes = implode('', array_map(self::plate(...), $sheet->plates)) . implode('', array_map(self::line(...), $sheet->lines));

        return \sprintf('<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d">%3$s</svg>', $sheet->width, Sheet::HEIGHT, $shapes);
    }

    private static function plate(Plate $plate): string
    {
        return \sprintf('<rect x="%.2F" y="%.2F" width="%.2F" height="%.2F" rx="%.2F" fill="%s" fill-opacity="%.2F"/>', $plate->x, $plate->y, $plate->width, $plate->height, $plate->radius, $plate->colour, $plate->opacity);
    }

    private static function line(Line $line): string
    {
        return \sprintf(
            '<text x="%.2F" y="%.2F" font-family="%s" font-weight="600" font-size="%.2F" fill="%s" text-anchor="middle" xml:space="preserve">%s</text>',
            $line->x,
            $line->y + self::BASELINE * $line->size,
            self::FAMILY[$line->face->value] . (Face::Reading === $line->face ? ', serif' : ', sans-serif'),
            $line->size,
            $line->colour,
            htmlspecialchars($line->text, \ENT_XML1 | \ENT_QUOTES),
        );
    }
}
