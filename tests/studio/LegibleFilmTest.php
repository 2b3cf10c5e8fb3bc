<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\TextBlock;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\FilmMaker;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Words\FontWidths;
use Rhapsode\Studio\Words\TextDrawing;

/**
 * In the made film's own pixels, at many moments: what lies about the letters of words is at 4.5:1 from them or more (WCAG 2.2, 1.4.3),
 * while the picture under them moves, and while it snows between the two.
 */
#[Group('deep')]
final class LegibleFilmTest extends TestCase
{
    private const WIDTH = 1280;
    private const HEIGHT = 720;
    /** Pixels about a letter whose colours are of both, as its edge is soft and colours are coded half as fine. */
    private const NEAR = 4;

    /** @return iterable<string, array{string, string|null, array<string, string>}> */
    public static function grounds(): iterable
    {
        yield 'steps' => ['steps', null, []];
        yield 'steps, snow' => ['steps', 'snow', []];
        yield 'dusk' => ['#1a1a2a', null, []];
        yield 'dusk, snow' => ['#1a1a2a', 'snow', []];
        yield 'noon, mist' => ['#f4f0e6', 'mist', []];
        yield 'middling, rain' => ['#8a8a8a', 'rain', []];
        yield 'steps, words in a colour of their own' => ['steps', null, ['colour' => '#ffd34d']];
        yield 'dusk, dark words on a plate, snow' => ['#1a1a2a', 'snow', ['colour' => '#20242b', 'backing' => 'plate']];
    }

    /** A title on a picture that lies on the ground of its style. */
    #[DataProvider('styles')]
    public function testTitlesAreReadOnThePictureOfTheGround(string $style): void
    {
        $scratch = new Scratch();
        self::picture($scratch->path('p.jpg'), 'steps');
        $this->assertRead($scratch, [
            'style' => ['name' => $style, 'own' => ['picture' => 'p']],
            'slides' => [['id' => 'a', 'layout' => 'title', 'stay' => 2, 'layers' => [
                ['id' => 'title', 'kind' => 'words', 'role' => 'title', 'text' => 'Illicit hill'],
                ['id' => 'subtitle', 'kind' => 'words', 'role' => 'subtitle', 'text' => 'All in little'],
            ]]],
        ], [9]);
    }

    /** @return iterable<string, array{string}> */
    public static function styles(): iterable
    {
        foreach (['thread', 'lantern', 'tin'] as $style) {
            yield $style => [$style];
        }
    }

    /** @param array<string, string> $look */
    #[DataProvider('grounds')]
    public function testWordsAreReadOverAMovingPicture(string $ground, ?string $drift, array $look): void
    {
        $scratch = new Scratch();
        self::picture($scratch->path('p.jpg'), $ground);
        $this->assertRead($scratch, [
            'slides' => [['id' => 'a', 'stay' => 2, 'layers' => [
                ['id' => 'picture', 'kind' => 'picture', 'asset' => 'p', 'framing' => [
                    'motion' => 'set',
                    'opensOn' => ['x' => 0, 'y' => 0, 'width' => 0.7, 'height' => 0.7], 'closesOn' => ['x' => 0.2, 'y' => 0.2, 'width' => 0.8, 'height' => 0.8],
                ]],
                ['id' => 'w', 'kind' => 'words', 'role' => 'caption', 'text' => 'Illicit hill', 'size' => 'largest', 'place' => 'middle', ...$look],
            ], ...null === $drift ? [] : ['drift' => ['kind' => $drift, 'strength' => 'much']]]],
        ], [4, 27, 56]);
    }

    /**
     * @param array<string, mixed> $told   of the story, whose picture lies in the scratch
     * @param list<int>            $frames that are looked at
     */
    private function assertRead(Scratch $scratch, array $told, array $frames): void
    {
        $folder = $scratch->path('story');
        mkdir($folder);
        rename($scratch->path('p.jpg'), "{$folder}/p.jpg");
        file_put_contents("{$folder}/story.json", json_encode([
            'version' => 2, 'title' => 'Read', 'credits' => false,
            'assets' => ['p' => ['kind' => 'picture', 'file' => 'p.jpg', 'width' => 1920, 'height' => 1080]],
            ...$told,
        ], \JSON_THROW_ON_ERROR));
        $renditions = new FolderRenditions($scratch->path('kept'));
        $from = new StoryFolder($folder, $renditions);
        $story = $from->read();
        $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story, $from->lights($story));
        $film = $scratch->path('film.mp4');
        (new FilmMaker($renditions, $renditions->segments()))->make($plan, $film, FilmFormat::of($plan->shape));
        foreach ($frames as $frame) {
            $pixels = Media::frame($film, $frame, self::WIDTH, self::HEIGHT);
            foreach ($plan->scenes[0]->words() as $words) {
                $about = self::about($words->block, $scratch->path('letters.png'));
                self::assertGreaterThan(300, \count($about));
                $ink = Contrast::luminance($words->block->lines[0]->colour);
                $ratios = [];
                foreach ($about as $i) {
                    $colour = \sprintf('#%02x%02x%02x', $pixels[3 * $i], $pixels[3 * $i + 1], $pixels[3 * $i + 2]);
                    $ratios[$colour] ??= Contrast::ratio($ink, Contrast::luminance($colour));
                }
                self::assertGreaterThanOrEqual(Contrast::LEAST, min([21.0, ...array_values($ratios)]), "{$words->id()}, frame {$frame}");
            }
        }
    }

    /** Steps of light and dark, larger than letters, so that some of both are always under them. */
    private static function picture(string $path, string $ground): void
    {
        if ('steps' !== $ground) {
            Media::picture($path, "xc:{$ground}", 1920, 1080);

            return;
        }
        $image = new \Imagick();
        $image->newImage(1920, 1080, 'white');
        $draw = new \ImagickDraw();
        $draw->setFillColor('black');
        for ($x = 0; $x < 1920; $x += 240) {
            $draw->rectangle($x, 0, $x + 119, 1079);
        }
        $image->drawImage($draw);
        $image->setImageCompressionQuality(95);
        $image->writeImage("jpeg:{$path}");
    }

    /** @return list<int> the pixels about letters, as near as their colours are not the letters' own */
    private static function about(TextBlock $block, string $png): array
    {
        (new TextDrawing())->paint(new TextBlock($block->width, $block->height, $block->lines), $png, self::HEIGHT);
        $letters = new \Imagick($png);
        $letters->setImageAlphaChannel(\Imagick::ALPHACHANNEL_EXTRACT);
        $within = static function (int $distance) use ($letters): array {
            $grown = clone $letters;
            $grown->morphology(\Imagick::MORPHOLOGY_DILATE, 1, \ImagickKernel::fromBuiltIn(\Imagick::KERNEL_SQUARE, (string) $distance));

            return $grown->exportImagePixels(0, 0, self::WIDTH, self::HEIGHT, 'R', \Imagick::PIXEL_CHAR);
        };
        [$near, $far] = [$within(self::NEAR), $within(2 * self::NEAR)];

        return array_keys(array_filter($far, static fn(int $light, int $i): bool => $light > 200 && 0 === $near[$i], \ARRAY_FILTER_USE_BOTH));
    }
}
