<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Sheet;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\LineBreaker;
use Rhapsode\Core\Words\Type;
use Rhapsode\Core\Words\Weight;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Renditions;
use Rhapsode\Studio\Render\SegmentMaker;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontFamily;
use Rhapsode\Studio\Words\FontWidths;

/**
 * A whole story to look at at once: every slide at its most telling moment, small, with its number, when it comes and how long it
 * stays, and what is said on it. One picture (PNG), or pages to print (PDF: A4, lying).
 */
final readonly class StorySheet
{
    /** Pixels of a page; an A4 page is as high as it is wide by the square root of two. */
    private const WIDE = 1600;
    private const MARGIN = 48;
    private const GAP = 26;
    private const HEAD = 96;
    /** Of a slide's number and time, and of the lines of its script, of which so many are shown. */
    private const TIME = 34;
    private const LINE = 21;
    private const LINES = 3;
    private const TYPE = 15;
    private const INK = '#20242B';
    private const SOFT = '#5A6070';
    private const PAPER = '#FBF8F1';

    private LineBreaker $breaker;
    private int $across;
    private float $width;
    private float $height;

    public function __construct(private Renditions $renditions, private Story $story, private Plan $plan)
    {
        $this->breaker = new LineBreaker(new FontWidths(), $plan->language);
        $this->across = match ($plan->shape) {
            Shape::Wide => 4,
            Shape::Classic, Shape::Square => 5,
            Shape::Upright => 8,
        };
        $this->width = (self::WIDE - 2 * self::MARGIN - ($this->across - 1) * self::GAP) / $this->across;
        $this->height = $this->width / $plan->shape->ratio();
    }

    /** @param string $out where it goes; what its name ends in tells its kind: .png or .pdf */
    public function write(string $out): void
    {
        $scratch = new Scratch();
        $isPdf = str_ends_with(strtolower($out), '.pdf');
        $cell = $this->height + self::TIME + self::LINES * self::LINE + self::GAP;
        $page = (int) round(self::WIDE / M_SQRT2);
        $rows = $isPdf ? max(1, (int) floor(($page - self::HEAD - self::MARGIN) / $cell)) : \PHP_INT_MAX;
        $pages = [];
        foreach (array_chunk($this->plan->scenes, max(1, min(\count($this->plan->scenes), $rows * $this->across))) as $n => $scenes) {
            $high = $isPdf ? $page : (int) ceil(self::HEAD + self::MARGIN / 2 + ceil(\count($scenes) / $this->across) * $cell);
            $cells = array_map(
                fn(Scene $scene, int $i): string => $this->cell(
                    $scene,
                    self::MARGIN + $i % $this->across * ($this->width + self::GAP),
                    self::HEAD + intdiv($i, $this->across) * $cell,
                    $scratch,
                ),
                $scenes,
                array_keys($scenes),
            );
            $pages[] = $path = $scratch->path("page-{$n}.svg");
            file_put_contents($path, \sprintf(
                '<svg xmlns="http://www.w3.org/2000/svg" width="%1$d" height="%2$d" viewBox="0 0 %1$d %2$d"><rect width="100%%" height="100%%" fill="%3$s"/>%4$s%5$s</svg>',
                self::WIDE,
                $high,
                self::PAPER,
                $this->head(),
                implode('', $cells),
            ));
        }
        $made = $scratch->path($isPdf ? 'sheet.pdf' : 'sheet.png');
        Tool::run(
            ['rsvg-convert', '--unlimited', '--format', $isPdf ? 'pdf' : 'png', '--output', $made, ...$pages],
            120,
            4000,
        );
        rename($made, $out);
    }

    private function head(): string
    {
        return self::text(self::MARGIN, 62, $this->plan->title, new Type(Face::Reading), 34)
            . self::text(self::WIDE - self::MARGIN, 60, self::clock($this->plan->frames()), new Type(Face::Plain), 22, self::SOFT, 'end');
    }

    private function cell(Scene $scene, float $x, float $y, Scratch $scratch): string
    {
        $format = FilmFormat::high($this->plan->shape, 2 * (int) round($this->height));
        $png = $scratch->path("slide-{$scene->id}.png");
        (new SegmentMaker($this->renditions, $this->plan->shape, $format))->still($scene, $scene->telling(), $png);
        $slide = $this->story->slide($scene->id);
        $number = $this->story->indexOf($scene->id);
        $under = $y + $this->height;
        $said = null === $slide || '' === trim($slide->script)
            ? []
            : $this->breaker->lines(trim((string) preg_replace('/\s+/u', ' ', $slide->script)), new Type(Face::Plain, Weight::Regular), $this->width / self::TYPE);
        $lines = \array_slice($said, 0, self::LINES);
        if (\count($said) > self::LINES) {
            $lines[self::LINES - 1] = rtrim($lines[self::LINES - 1], ' .,;:') . ' …';
        }

        return \sprintf(
            '<image x="%.2F" y="%.2F" width="%.2F" height="%.2F" href="data:image/png;base64,%s"/>',
            $x,
            $y,
            $this->width,
            $this->height,
            base64_encode((string) file_get_contents($png)),
        )
            . self::text($x, $under + 23, null === $number ? $scene->name : (string) ($number + 1), new Type(Face::Reading), 19)
            . self::text($x + $this->width, $under + 23, \sprintf(
                '%s · %s s',
                self::clock($scene->start),
                round(Rate::seconds($scene->end - $scene->start), 1),
            ), new Type(Face::Plain, Weight::Regular), self::TYPE, self::SOFT, 'end')
            . implode('', array_map(
                fn(string $line, int $i): string => self::text(
                    $x,
                    $under + self::TIME + 14 + $i * self::LINE,
                    $line,
                    new Type(Face::Plain, Weight::Regular),
                    self::TYPE,
                ),
                $lines,
                array_keys($lines),
            ));
    }

    private static function clock(int $frames): string
    {
        $seconds = (int) floor(Rate::seconds($frames));

        return \sprintf('%d:%02d', intdiv($seconds, 60), $seconds % 60);
    }

    private static function text(float $x, float $y, string $text, Type $type, float $size, string $colour = self::INK, string $anchor = 'start'): string
    {
        $font = new FontFamily($type);

        return \sprintf(
            '<text x="%.2F" y="%.2F" font-family="%s" font-weight="%d" font-size="%.1F" fill="%s" text-anchor="%s" xml:space="preserve">%s</text>',
            $x,
            $y,
            $font->families(),
            $font->weight,
            $size,
            $colour,
            $anchor,
            htmlspecialchars($text, \ENT_XML1 | \ENT_QUOTES),
        );
    }
}
