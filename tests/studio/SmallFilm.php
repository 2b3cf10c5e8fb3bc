<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontWidths;

/** A film of one slide, made as anybody makes one from a folder, and what is planned to be seen in it. */
final readonly class SmallFilm
{
    public const WIDTH = 640;
    public const HEIGHT = 360;

    public string $path;
    public Scene $scene;
    private Scratch $scratch;

    /**
     * @param array<string, mixed>                $slide   but for its id and its picture, which is called `picture`
     * @param array<string, mixed>                $framing of that
     * @param string                              $colour  of all of that
     * @param array<string, array<string, mixed>> $assets  besides the picture, `p`
     * @param (\Closure(string): void)|null       $files   puts what they need into the folder
     */
    public function __construct(array $slide, array $framing, string $colour = '#000000', array $assets = [], ?\Closure $files = null)
    {
        $this->scratch = new Scratch();
        $folder = $this->scratch->path('story');
        mkdir($folder);
        Media::picture("{$folder}/ground.jpg", "xc:{$colour}", 1280, 720);
        if (null !== $files) {
            $files($folder);
        }
        $layers = $slide['layers'] ?? [];
        \assert(\is_array($layers));
        $story = [
            'version' => 2, 'title' => 'A small film',
            'assets' => ['p' => ['kind' => 'picture', 'file' => 'ground.jpg', 'width' => 1280, 'height' => 720], ...$assets],
            'slides' => [['id' => 'a', ...$slide, 'layers' => [
                ['id' => 'picture', 'kind' => 'picture', 'asset' => 'p', 'framing' => $framing], ...$layers,
            ]]],
        ];
        file_put_contents("{$folder}/story.json", json_encode($story, \JSON_THROW_ON_ERROR));
        $this->path = $this->scratch->path('film.mp4');
        $cache = $this->scratch->path('cache');
        Tool::run(
            ['env', "XDG_CACHE_HOME={$cache}", \dirname(__DIR__, 2) . '/bin/rhapsode', 'film', $folder, $this->path, '--size', 'small'],
            120,
            20_000,
        );
        $read = new StoryFolder($folder, new FolderRenditions($cache));
        $told = $read->read();
        $this->scene = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($told, $read->lights($told))->scenes[0];
    }

    /** @return list<int> the lightness of each pixel, row by row */
    public function light(int $frame): array
    {
        $pixels = Media::frame($this->path, $frame, self::WIDTH, self::HEIGHT);

        return array_map(
            static fn(int $i): int => intdiv($pixels[3 * $i] + $pixels[3 * $i + 1] + $pixels[3 * $i + 2], 3),
            range(0, self::WIDTH * self::HEIGHT - 1),
        );
    }
}
