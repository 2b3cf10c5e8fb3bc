<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

/** A picture that comes in for a slide goes beside what that shows, or in the place of one of several; two at once are both there. */
final class ArrangementsTest extends AppTestCase
{
    /** @return list<mixed> the layout of a slide, and the asset in each of its cells */
    private function cells(string $story, string $slide): array
    {
        foreach ((array) self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides') as $one) {
            if (\is_array($one) && $slide === ($one['id'] ?? null)) {
                $pictures = array_values(array_filter((array) $one['layers'], static fn(mixed $layer): bool => \is_array($layer) && 'picture' === $layer['kind']));
                usort($pictures, static fn(mixed $a, mixed $b): int => ($a['cell'] ?? 0) <=> ($b['cell'] ?? 0));

                return [$one['layout'], ...array_column($pictures, 'asset')];
            }
        }

        return [];
    }

    /** @param array<string, mixed> $onto */
    private function onto(string $story, string $name, array $onto): string
    {
        return StoryTest::text($this->bringIn($story, self::newPicture(), $name, slide: 'a', onto: $onto)['id']);
    }

    public function testItGoesBesideAndReplacesOneOfTwo(): void
    {
        $story = $this->as('sam')->story();
        $first = $this->onto($story, 'one.jpg', []);
        $second = $this->onto($story, 'two.jpg', ['beside' => true]);
        self::assertSame(['beside', $first, $second], $this->cells($story, 'a'));
        $third = $this->onto($story, 'three.jpg', ['layer' => 'picture-2']);
        self::assertSame(['beside', $first, $third], $this->cells($story, 'a'));
        $this->told('POST', "/api/stories/{$story}/undo", null, 200, ['If-Match' => '"' . $this->revision($story) . '"']);
        self::assertSame(['beside', $first, $second], $this->cells($story, 'a'));
    }

    public function testTheFifthIsRefusedWithASentenceAndNothingIsLost(): void
    {
        $story = $this->as('sam')->story();
        $there = [$this->onto($story, 'one.jpg', [])];
        foreach ([2, 3, 4] as $n) {
            $there[] = $this->onto($story, "{$n}.jpg", ['beside' => true]);
        }
        self::assertSame(['four', ...$there], $this->cells($story, 'a'));
        $this->edit($story, ['do' => 'put beside', 'slide' => 'a', 'asset' => $there[0]], 409);
        self::assertSame(['four', ...$there], $this->cells($story, 'a'));
    }
}
