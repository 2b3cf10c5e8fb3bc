<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\App\Shared\Store;

/** A picture that is mended: its renditions are made for who may see the story, and only those that the story shows. */
final class MendingTest extends AppTestCase
{
    /** @return array{string, string, string} a story, its picture's asset, and the slide that shows it */
    private function pictured(): array
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $view = $this->told('GET', "/api/stories/{$story}");

        return [
            $story,
            StoryTest::text(self::at($view, 'story', 'slides', 1, 'layers', 0, 'asset')),
            StoryTest::text(self::at($view, 'story', 'slides', 1, 'id')),
        ];
    }

    private function shownAs(string $story): string
    {
        return StoryTest::text(
            self::at($this->told('GET', "/api/stories/{$story}"), 'plan', 'scenes', 1, 'layers', 0, 'rendition', 'name'),
        );
    }

    /** @param array<string, mixed> $recipe */
    private function mend(string $story, string $slide, array $recipe): void
    {
        $this->edit($story, ['do' => 'set layers', 'slides' => [$slide], 'kind' => 'picture', 'changes' => ['recipe' => $recipe]]);
    }

    private function answered(string $story, string $asset, string $name): int
    {
        return $this->ask('GET', "/api/stories/{$story}/assets/{$asset}/{$name}")->getStatusCode();
    }

    public function testWhatTheStoryShowsIsMade(): void
    {
        [$story, $asset, $slide] = $this->pictured();
        $this->mend($story, $slide, ['look' => 'tea', 'clear' => true, 'straighten' => -3.5]);
        $name = $this->shownAs($story);
        self::assertMatchesRegularExpression('/^(full|whole)-r[0-9a-f]{16}$/', $name);
        $key = substr($name, (int) strpos($name, 'r'));
        foreach ([
            "full-{$key}.jpg",
            "thumb-{$key}.jpg",
            "whole-{$key}.jpg",
            "whole-thumb-{$key}.jpg",
            'full-t90.jpg',
            'full.jpg',
        ] as $file) {
            self::assertSame(200, $this->answered($story, $asset, $file), $file);
        }
        $kept = self::service(Store::class)->near("pictures/{$asset}/thumb-{$key}.jpg");
        [$wide, $high] = getimagesize($kept) ?: [0, 1];
        self::assertGreaterThan(100, min($wide, $high));
        $levels = $this->told('GET', "/api/stories/{$story}/assets/{$asset}/levels.json");
        self::assertSame(['low', 'high', 'middle'], array_keys($levels));

        // What it has shown once is still there, for who looks at an earlier film.
        $this->mend($story, $slide, ['look' => null, 'clear' => false, 'straighten' => 0]);
        self::assertSame(200, $this->answered($story, $asset, "thumb-{$key}.jpg"));
    }

    public function testAPictureShownWholeLiesOnItsColour(): void
    {
        [$story, $asset, $slide] = $this->pictured();
        $this->edit($story, ['do' => 'set shape', 'shape' => '9:16']);
        $this->edit(
            $story,
            ['do' => 'set layers', 'slides' => [$slide], 'kind' => 'picture', 'changes' => ['fit' => 'whole', 'ground' => '#2f3e50']],
        );
        self::assertSame('whole-g2f3e50', $this->shownAs($story));
        foreach (['whole-g2f3e50.jpg', 'whole-thumb-g2f3e50.jpg', 'whole.jpg'] as $file) {
            self::assertSame(200, $this->answered($story, $asset, $file), $file);
        }
        foreach (['whole-g2f3e51.jpg', 'whole-thumb-gffffff.jpg', 'full-g2f3e50.jpg', 'whole-g2f3e5.jpg'] as $file) {
            self::assertSame(404, $this->answered($story, $asset, $file), $file);
        }
        $kept = new \Imagick(self::service(Store::class)->near("pictures/{$asset}/whole-thumb-g2f3e50-9x16.jpg"));
        $corner = $kept->getImagePixelColor(2, 2)->getColor();
        self::assertEqualsWithDelta([0x2f, 0x3e, 0x50], [$corner['r'] ?? 0, $corner['g'] ?? 0, $corner['b'] ?? 0], 3);
        // Another colour, and the one before is still there for who looks at an earlier film.
        $this->edit($story, ['do' => 'set layers', 'slides' => [$slide], 'kind' => 'picture', 'changes' => ['ground' => 'paper']]);
        self::assertSame(200, $this->answered($story, $asset, 'whole-g2f3e50.jpg'));
    }

    public function testNothingIsMadeThatTheStoryDoesNotShow(): void
    {
        [$story, $asset, $slide] = $this->pictured();
        self::assertSame(404, $this->answered($story, $asset, 'full-r0123456789abcdef.jpg'));
        self::assertSame(404, $this->answered($story, $asset, 'full-t45.jpg'));
        self::assertSame(404, $this->answered($story, $asset, 'thumb-r..%2f..%2f.jpg'));
        $this->mend($story, $slide, ['look' => 'ink']);
        $file = substr($this->shownAs($story), -17) . '.jpg';
        $this->as('sue');
        self::assertContains($this->answered($story, $asset, "thumb-{$file}"), [403, 404]);
        self::assertContains($this->answered($story, $asset, 'levels.json'), [403, 404]);
    }

    public function testTwoWhoMendOnePictureBothDo(): void
    {
        [$story, , $slide] = $this->pictured();
        $this->mend($story, $slide, ['light' => 20]);
        $this->mend($story, $slide, ['crop' => ['x' => 0.1, 'y' => 0.1, 'width' => 0.5, 'height' => 0.5]]);
        $recipe = self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'layers', 0, 'recipe');
        self::assertSame(['turn', 'crop', 'light'], array_keys((array) $recipe));
        $this->told('POST', "/api/stories/{$story}/undo", null, 200, ['If-Match' => '"' . $this->revision($story) . '"']);
        self::assertSame(
            ['turn' => 0, 'light' => 20],
            self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'layers', 0, 'recipe'),
        );
    }
}
