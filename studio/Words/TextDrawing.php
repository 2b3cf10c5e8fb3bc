<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Words;

use Rhapsode\Core\Words\Line;
use Rhapsode\Core\Words\Plate;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * Draws a sheet of words as a transparent PNG, through SVG and librsvg: its text is laid out by Pango, which shapes any
 * script and falls back between fonts. Text is written as XML character data, so no character in it means anything.
 *
 * librsvg draws outlines only, and emoji are small coloured pictures: a line that holds one is drawn by Pango's own viewer
 * and set into the sheet as a picture.
 */
final class TextDrawing
{
    /** Where the baseline lies in the line box, in em from its top. */
    private const BASELINE = 0.98;
    /** Where the middle of a line drawn by Pango lies, in em from the top of the line box. */
    private const MIDDLE = 0.64;
    /** The width of an outline, in em. */
    private const EDGE = 0.065;
    /** How soft a shadow is, in em. */
    private const SHADOW = 0.07;
    private const EMOJI = '/\p{So}|[\x{1F000}-\x{1FAFF}\x{FE0F}\x{20E3}]/u';

    /** @param int $slide the height of a slide in pixels: what passes over it is so many times as high */
    public function paint(TextBlock $sheet, string $path, int $slide): void
    {
        $height = (int) round($slide * $sheet->slides);
        Tool::run(
            ['rsvg-convert', '--unlimited', '--height', (string) $height, '--keep-aspect-ratio', '--format', 'png', '--output', $path],
            30,
            3000,
            $this->svg($sheet, $height),
        );
    }

    public function svg(TextBlock $sheet, ?int $height = null): string
    {
        $scale = ($height ?? $sheet->height) / $sheet->height;
        $shapes = implode('', array_map(self::plate(...), $sheet->plates)) . implode('', array_map(
            static fn(Line $line): string => self::shaded($line, 1 === preg_match(self::EMOJI, $line->text)
                ? self::edged($line, self::coloured($line, $scale))
                : self::line($line)),
            $sheet->lines,
        ));

        return \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d">%3$s</svg>',
            $sheet->width,
            $sheet->height,
            $shapes,
        );
    }

    private static function plate(Plate $plate): string
    {
        return \sprintf(
            '<rect x="%.2F" y="%.2F" width="%.2F" height="%.2F" rx="%.2F" fill="%s" fill-opacity="%.2F"/>',
            $plate->x,
            $plate->y,
            $plate->width,
            $plate->height,
            $plate->radius,
            $plate->colour,
            $plate->opacity,
        );
    }

    private static function line(Line $line): string
    {
        $anchor = match ($line->align) {
            'left' => 'start',
            'right' => 'end',
            default => 'middle',
        };
        $font = new FontFamily($line->type);

        return \sprintf(
            '<text x="%.2F" y="%.2F" font-family="%s" font-weight="%d" font-size="%.2F" fill="%s" text-anchor="%s"%s xml:space="preserve">%s</text>',
            $line->x,
            $line->y + self::BASELINE * $line->size,
            $font->families(),
            $font->weight,
            $line->size,
            $line->colour,
            $anchor,
            null === $line->edge ? '' : \sprintf(
                ' stroke="%s" stroke-width="%.2F" stroke-linejoin="round" paint-order="stroke"',
                $line->edge,
                2 * self::EDGE * $line->size,
            ),
            htmlspecialchars($line->text, \ENT_XML1 | \ENT_QUOTES),
        );
    }

    /** A shadow falls from all of a line, its edge too. Soft, and twice, so that it is dark close to the letters. */
    private static function shaded(Line $line, string $drawn): string
    {
        return null === $line->shadow ? $drawn : self::filtered($line, $drawn, 'shadow', \sprintf(
            '<feGaussianBlur in="SourceAlpha" stdDeviation="%.2F"/><feOffset dy="%.2F" result="soft"/><feFlood flood-color="%s"/>'
            . '<feComposite in2="soft" operator="in" result="shadow"/>'
            . '<feMerge><feMergeNode in="shadow"/><feMergeNode in="shadow"/><feMergeNode in="SourceGraphic"/></feMerge>',
            self::SHADOW * $line->size,
            self::SHADOW / 2 * $line->size,
            $line->shadow,
        ));
    }

    /** Emoji are pictures already: their edge is grown from what they cover. */
    private static function edged(Line $line, string $drawn): string
    {
        return null === $line->edge ? $drawn : self::filtered($line, $drawn, 'edge', \sprintf(
            '<feMorphology in="SourceAlpha" operator="dilate" radius="%.2F" result="wide"/><feFlood flood-color="%s"/>'
            . '<feComposite in2="wide" operator="in" result="edge"/>'
            . '<feMerge><feMergeNode in="edge"/><feMergeNode in="SourceGraphic"/></feMerge>',
            self::EDGE * $line->size,
            $line->edge,
        ));
    }

    /** With room about the line for what is drawn beside its letters. */
    private static function filtered(Line $line, string $drawn, string $name, string $how): string
    {
        return \sprintf(
            '<filter id="%1$s" filterUnits="userSpaceOnUse" x="%2$.2F" y="%3$.2F" width="%4$.2F" height="%5$.2F">%6$s</filter>'
            . '<g filter="url(#%1$s)">%7$s</g>',
            \sprintf('%s-%d', $name, (int) $line->y),
            $line->left() - $line->size,
            $line->y - $line->size,
            $line->width + 2 * $line->size,
            3.3 * $line->size,
            $how,
            $drawn,
        );
    }

    private static function coloured(Line $line, float $scale): string
    {
        $scratch = new Scratch();
        file_put_contents($scratch->path('line.txt'), $line->text);
        $font = (new FontFamily($line->type))->described($line->size * $scale);
        Tool::run([
            'pango-view', '--no-display', '--backend=cairo', '--dpi=72', '--margin=0', '--background=transparent',
            '--foreground=' . $line->colour, '--font=' . $font, '--output=' . $scratch->path('line.png'),
            $scratch->path('line.txt'),
        ], 30, 3000);
        $png = $scratch->path('line.png');
        [$width, $height] = getimagesize($png) ?: throw ToolFailed::notRead($png);

        return \sprintf(
            '<image x="%.2F" y="%.2F" width="%.2F" height="%.2F" href="data:image/png;base64,%s"/>',
            // On whole pixels, or it would be drawn soft.
            round(match ($line->align) {
                'left' => $line->x * $scale,
                'right' => $line->x * $scale - $width,
                default => $line->x * $scale - $width / 2,
            }) / $scale,
            round(($line->y + self::MIDDLE * $line->size) * $scale - $height / 2) / $scale,
            $width / $scale,
            $height / $scale,
            base64_encode((string) file_get_contents($png)),
        );
    }
}
