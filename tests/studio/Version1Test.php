<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\FilmMaker;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Words\FontWidths;

/**
 * Stories written in version 1 of the document give the film that they gave then. tests/fixtures/version-1 holds five of them, each
 * with the film that version 1 made of it: its SHA-256, its pictures at a height of 180, and how loud it is in every tenth of a second.
 */
#[Group('deep')]
final class Version1Test extends TestCase
{
    private const FIXTURES = __DIR__ . '/../fixtures/version-1';

    /** @return iterable<string, array{string}> */
    public static function stories(): iterable
    {
        foreach (glob(self::FIXTURES . '/*', \GLOB_ONLYDIR) ?: [] as $folder) {
            yield basename($folder) => [basename($folder)];
        }
    }

    #[DataProvider('stories')]
    public function testTheFilmIsTheSame(string $name): void
    {
        $scratch = new Scratch();
        $folder = $scratch->path('story');
        mkdir($folder);
        $demo = __DIR__ . '/../../demo';
        foreach ([self::FIXTURES . "/{$name}/story.json", ...(glob($demo . '/{pictures,voices,music}/*', \GLOB_BRACE) ?: [])] as $file) {
            symlink((string) realpath($file), $folder . '/' . basename($file));
        }
        $renditions = new FolderRenditions($scratch->path('kept'));
        $from = new StoryFolder($folder, $renditions);
        $story = $from->read();
        $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story, $from->lights($story));
        $film = $scratch->path('film.mp4');
        (new FilmMaker($renditions, $renditions->segments()))->make($plan, $film, FilmFormat::high($plan->shape, 180));

        /** @var array{sha256: string, levels: list<int>} $then */
        $then = json_decode((string) file_get_contents(self::FIXTURES . "/{$name}/film.json"), true);
        if (hash_file('sha256', $film) === $then['sha256']) {
            $this->addToAssertionCount(1);

            return;
        }
        // Another release of a tool may code the same pictures in other bytes; they are compared as they are seen and heard.
        self::assertGreaterThanOrEqual(0.999, Media::ssim(self::FIXTURES . "/{$name}/film.mp4", $film), 'what is seen');
        $now = Media::levels($film);
        self::assertEqualsWithDelta(\count($then['levels']), \count($now), 1);
        foreach ($then['levels'] as $i => $level) {
            self::assertEqualsWithDelta($level, $now[$i] ?? -90, max(1.0, -30 - $level), "what is heard at {$i} tenths of a second");
        }
    }
}
