<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;

/** A whole story on one picture, or on pages to print. */
final class SheetTest extends TestCase
{
    private Scratch $scratch;
    private string $folder;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
        $this->folder = $this->scratch->path('story');
        mkdir($this->folder);
    }

    /** @param list<string> $more */
    private function sheet(string $out, array $more = []): string
    {
        Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $this->scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'sheet', $this->folder, $out, ...$more],
            120,
            20_000,
        );

        return $out;
    }

    /** @param array<string, mixed> $words of the second slide */
    private function story(int $slides, array $words = []): void
    {
        $colours = ['#a02020', '#20a020', '#2020a0', '#a0a020', '#20a0a0'];
        $told = ['version' => 2, 'title' => 'Five colours', 'credits' => false, 'assets' => [], 'slides' => []];
        for ($i = 0; $i < $slides; ++$i) {
            if ($i < 5) {
                Media::picture("{$this->folder}/{$i}.jpg", "xc:{$colours[$i]}", 640, 360);
                $told['assets']["p{$i}"] = ['kind' => 'picture', 'file' => "{$i}.jpg", 'width' => 640, 'height' => 360];
            }
            $told['slides'][] = [
                'id' => "s{$i}", 'stay' => 4, 'script' => 1 === $i ? str_repeat('The second slide says more than there is room for. ', 9) : '',
                'layers' => [
                    ['id' => 'picture', 'kind' => 'picture', 'asset' => 'p' . $i % 5], ...1 === $i && [] !== $words ? [['id' => 'w', 'kind' => 'words', ...$words]] : [],
                ],
            ];
        }
        file_put_contents("{$this->folder}/story.json", json_encode($told, \JSON_THROW_ON_ERROR));
    }

    /** @return array{int, int, int} */
    private static function at(\Imagick $image, int $x, int $y): array
    {
        $colour = $image->getImagePixelColor($x, $y)->getColor();

        return [$colour['r'], $colour['g'], $colour['b']];
    }

    /** @return iterable<string, array{string, int, int}> */
    public static function shapes(): iterable
    {
        // What stands beside each other, and how high a slide is on a sheet 1600 wide with 48 at its sides and 26 between.
        yield 'wide' => ['16:9', 4, 200];
        yield 'classic' => ['4:3', 5, 210];
        yield 'square' => ['1:1', 5, 280];
        yield 'upright' => ['9:16', 8, 293];
    }

    #[DataProvider('shapes')]
    public function testEverySlideIsSeenInItsPlaceInEveryShape(string $shape, int $across, int $height): void
    {
        $this->story(5);
        $image = new \Imagick($this->sheet($this->scratch->path('sheet.png'), ['--shape', $shape]));
        self::assertSame(1600, $image->getImageWidth());
        $width = (1600 - 96 - ($across - 1) * 26) / $across;
        foreach (['a02020', '20a020', '2020a0', 'a0a020', '20a0a0'] as $i => $colour) {
            $seen = self::at(
                $image,
                (int) (48 + $i % $across * ($width + 26) + $width / 2),
                (int) (96 + intdiv($i, $across) * ($height + 34 + 3 * 21 + 26) + $height / 2),
            );
            foreach ([0, 2, 4] as $k => $part) {
                self::assertEqualsWithDelta((int) hexdec(substr($colour, $part, 2)), $seen[$k], 6, "slide {$i}");
            }
        }
    }

    public function testASlideIsShownWhenMostOfItIsThere(): void
    {
        // They are seen for less than a second of four, toward the end.
        $this->story(2, ['text' => 'WWWWWWWWWW', 'size' => 'largest', 'place' => 'middle', 'backing' => 'none', 'comes' => 2.6, 'goes' => 3.7]);
        $image = new \Imagick($this->sheet($this->scratch->path('sheet.png')));
        $image->cropImage(350, 196, 430, 98);
        $light = array_filter($image->exportImagePixels(0, 0, 350, 196, 'B', \Imagick::PIXEL_CHAR), static fn(int $blue): bool => $blue > 200);
        self::assertGreaterThan(500, \count($light));
    }

    public function testPagesToPrintAreAsManyAsItTakes(): void
    {
        $this->story(25);
        $pdf = (string) file_get_contents($this->sheet($this->scratch->path('sheet.pdf')));
        self::assertStringStartsWith('%PDF', $pdf);
        // Three rows of four on a page.
        self::assertSame(3, preg_match_all('~/Type\s*/Page\b(?!s)~', $pdf));
    }

    public function testAnotherKindOfFileIsRefusedInASentence(): void
    {
        $this->story(1);
        $this->expectException(ToolFailed::class);
        $this->expectExceptionMessage('A sheet is written as .png or as .pdf.');
        $this->sheet($this->scratch->path('sheet.gif'));
    }
}
