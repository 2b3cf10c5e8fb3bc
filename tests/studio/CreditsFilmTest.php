<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Segments;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontWidths;
use Rhapsode\Studio\Words\TextDrawing;

/** In the made film's own pixels: credits that roll lie at every frame where core says, in whichever shape. */
final class CreditsFilmTest extends TestCase
{
    private Scratch $scratch;

    /** @return array<string, mixed> */
    private function story(string $shape, string $folder): array
    {
        $assets = $slides = [];
        foreach (range(1, 9) as $i) {
            Media::picture("{$folder}/{$i}.jpg", 'xc:#30' . $i . '0' . $i . '0', 640, 360);
            $source = ['title' => "The weir in the evening, seen from the mill {$i}", 'author' => 'Ann Ash', 'licence' => 'CC0'];
            $assets["p{$i}"] = ['kind' => 'picture', 'file' => "{$i}.jpg", 'width' => 640, 'height' => 360, 'source' => $source];
        }
        foreach (array_keys($assets) as $id) {
            $slides[] = ['id' => "s{$id}", 'stay' => 2, 'layers' => [['id' => 'picture', 'kind' => 'picture', 'asset' => $id, 'framing' => ['motion' => 'still']]]];
        }

        return [
            'version' => 2, 'title' => 'Rolling', 'shape' => $shape, 'style' => ['name' => 'slate', 'own' => ['credits' => 'roll']],
            'assets' => $assets, 'slides' => $slides,
        ];
    }

    #[DataProvider('shapes')]
    public function testTheyLieWhereCoreSays(string $shape): void
    {
        $this->scratch = new Scratch();
        $folder = $this->scratch->path('roll');
        mkdir($folder);
        $told = $this->story($shape, $folder);
        file_put_contents("{$folder}/story.json", json_encode($told, \JSON_THROW_ON_ERROR));
        $film = $this->scratch->path('roll.mp4');
        Tool::run(
            ['env', 'XDG_CACHE_HOME=' . $this->scratch->path('cache'), \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, $film, '--size', 'small'],
            240,
            20_000,
        );
        $story = Story::fromArray($told);
        $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story);
        $scene = $plan->scenes[\count($plan->scenes) - 1];
        $roll = $scene->layers[0];
        self::assertInstanceOf(PlannedRoll::class, $roll);
        $height = $story->shape->height(360);
        $width = $story->shape->width($height);
        foreach ([0.15, 0.4, 0.75, 0.999] as $share) {
            $frame = (int) ($share * ($roll->frames - 1));
            $shown = Media::frame($film, $scene->start + $frame, $width, $height);
            $right = $this->nearest($shown, $roll, $scene, $frame, $width, $height);
            $before = $this->nearest($shown, $roll, $scene, max(0, min($roll->top->points[1][0], $frame) - 6), $width, $height);
            self::assertLessThan(5.0, $right, "frame {$frame}");
            self::assertLessThan(0.5 * $before, $right, "frame {$frame}, and six frames before: {$before}");
        }
    }

    /** Two folders whose pictures have one name, size and place: neither is shown the other's on its ground. */
    public function testAPictureOfTheGroundIsKeptByWhatItHolds(): void
    {
        $scratch = new Scratch();
        $names = [];
        foreach (['#803010', '#103080'] as $i => $colour) {
            mkdir($folder = $scratch->path("ground-{$i}"));
            Media::picture("{$folder}/p.jpg", "xc:{$colour}", 640, 360);
            file_put_contents("{$folder}/story.json", json_encode([
                'version' => 2, 'title' => 'On a ground', 'style' => ['own' => ['picture' => 'p']],
                'assets' => ['p' => ['kind' => 'picture', 'file' => 'p.jpg', 'width' => 640, 'height' => 360]],
                'slides' => [['id' => 'a', 'layout' => 'title', 'stay' => 2]],
            ], \JSON_THROW_ON_ERROR));
            $renditions = new FolderRenditions($scratch->path('kept'));
            $from = new StoryFolder($folder, $renditions);
            $story = $from->read();
            // Of one light, so that nothing but the picture tells them apart.
            $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story);
            self::assertSame('backdrop', $plan->scenes[0]->layers[0]->kind()->value);
            $names[] = Segments::of($plan, FilmFormat::of($plan->shape), $renditions->content(...))[0]->name;
        }
        self::assertNotSame($names[0], $names[1]);
    }

    /** @return iterable<string, array{string}> */
    public static function shapes(): iterable
    {
        yield 'wide' => ['16:9'];
        yield 'upright' => ['9:16'];
    }

    /**
     * Between two pixels of this small film it may lie on either.
     *
     * @param list<int> $shown
     */
    private function nearest(array $shown, PlannedRoll $roll, Scene $scene, int $frame, int $width, int $height): float
    {
        $top = $roll->top->at($frame) * $height;
        $tops = array_unique([(int) round($top - 0.01), (int) round($top + 0.01)]);

        return min(array_map(fn(int $one): float => self::difference($shown, $this->expected($roll, $scene, $one, $width, $height)), array_values($tops) ?: [0]));
    }

    /** @return list<int> red of each pixel, as librsvg draws them laid here */
    private function expected(PlannedRoll $roll, Scene $scene, int $top, int $width, int $height): array
    {
        $png = $this->scratch->path('credits.png');
        (new TextDrawing())->paint($roll->block, $png, $height);
        $image = new \Imagick();
        $image->newImage($width, $height, $scene->ground);
        $image->compositeImage(new \Imagick($png), \Imagick::COMPOSITE_OVER, 0, $top);

        return $image->exportImagePixels(0, 0, $width, $height, 'R', \Imagick::PIXEL_CHAR);
    }

    /**
     * @param list<int> $shown red, green and blue of each pixel
     * @param list<int> $expected red of each
     */
    private static function difference(array $shown, array $expected): float
    {
        $sum = 0;
        foreach ($expected as $i => $red) {
            $sum += abs($shown[3 * $i] - $red);
        }

        return $sum / \count($expected);
    }
}
