<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

/** A story's own first slides in each of the styles; one that is chosen, kept and undone. */
final class StylesTest extends AppTestCase
{
    public function testEachStyleShowsItsOwnSlidesAndItsWordsAreThere(): void
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        $this->edit($story, ['do' => 'set layer', 'slide' => $slide, 'layer' => 'caption', 'kind' => 'words', 'changes' => ['text' => 'Reeds bend']]);
        $told = $this->told('GET', "/api/stories/{$story}/styles.json");
        self::assertSame(['thread', 'clay', 'slate', 'stone', 'tin', 'ledger', 'lantern', 'reed'], array_column($told, 'name'));
        $hashes = [];
        foreach (array_keys($told) as $i) {
            self::assertSame($slide, self::at($told, $i, 'scenes', 1, 'id'));
            $hashes[] = StoryTest::text(self::at($told, $i, 'scenes', 0, 'layers', 0, 'hash'));
            $hashes[] = StoryTest::text(self::at($told, $i, 'scenes', 1, 'layers', 1, 'hash'));
        }
        self::assertCount(16, array_unique($hashes), 'no two look alike');
        foreach ($hashes as $hash) {
            self::assertSame(200, $this->ask('GET', "/api/stories/{$story}/words/{$hash}.png")->getStatusCode());
        }
        self::assertSame('crossfade', self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'style', 'transition', 'kind'), 'looking changes nothing');
    }

    public function testATeacherSetsOneForAnAssignmentAndStoriesBeginWithIt(): void
    {
        $path = "/api/assignments/{$this->assignment->id}/style";
        $before = $this->as('sam')->story();
        self::assertSame('lantern', $this->as('tara')->told('PUT', $path, ['style' => 'lantern'])['style']);
        $told = $this->as('sam')->told('GET', '/api/stories/' . $this->story());
        self::assertSame('lantern', self::at($told, 'story', 'style', 'name'));
        self::assertSame('through-dark', self::at($told, 'story', 'style', 'transition', 'kind'));
        self::assertSame('lantern', self::at($told, 'assignment', 'style'));
        self::assertArrayNotHasKey('name', (array) self::at($this->told('GET', "/api/stories/{$before}"), 'story', 'style'), 'one that was begun stays as it is');
        // It is its maker's to change, and the teacher's to take back; what is none is refused.
        $this->as('tara')->told('PUT', $path, ['style' => 'velvet'], 422);
        self::assertNull($this->told('PUT', $path, ['style' => null])['style']);
        $this->as('sam')->told('PUT', $path, ['style' => 'tin'], 404);
    }

    public function testAStyleIsChosenAtOnceAndUndone(): void
    {
        $story = $this->as('sam')->story();
        $style = fn(): mixed => self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'style');
        $ground = fn(): mixed => self::at($this->told('GET', "/api/stories/{$story}"), 'plan', 'scenes', 0, 'ground');
        self::assertSame('#FBF8F1', $ground());
        $this->edit($story, ['do' => 'set style', 'name' => 'lantern']);
        self::assertSame(['transition' => ['kind' => 'through-dark', 'seconds' => 1], 'name' => 'lantern'], $style());
        self::assertSame('#10162A', $ground());
        // A transition of one's own stays, whatever the style.
        $this->edit($story, ['do' => 'set style', 'transition' => ['kind' => 'sweep', 'seconds' => 0.5]]);
        $this->edit($story, ['do' => 'set style', 'name' => 'slate']);
        self::assertSame(['transition' => ['kind' => 'sweep', 'seconds' => 0.5], 'name' => 'slate'], $style());
        $this->told('POST', "/api/stories/{$story}/undo", null, 200, ['If-Match' => '"' . $this->revision($story) . '"']);
        self::assertSame(['transition' => ['kind' => 'sweep', 'seconds' => 0.5], 'name' => 'lantern'], $style());
        $this->edit($story, ['do' => 'set style', 'name' => 'velvet'], 422);
    }

    public function testATeacherTellsHowManyLettersAPictureBears(): void
    {
        $path = "/api/assignments/{$this->assignment->id}/letters";
        $story = $this->as('sam')->story();
        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        $this->edit($story, ['do' => 'set layer', 'slide' => $slide, 'layer' => 'caption', 'kind' => 'words', 'changes' => ['text' => str_repeat('Reeds ', 8)]]);
        $rules = fn(): array => array_column((array) self::at($this->told('GET', "/api/stories/{$story}"), 'proof'), 'rule');
        self::assertNotContains('many-letters', $rules());
        self::assertSame(40, $this->as('tara')->told('PUT', $path, ['letters' => 40])['letters']);
        $this->as('sam');
        self::assertContains('many-letters', $rules());
        self::assertSame(40, self::at($this->told('GET', "/api/stories/{$story}"), 'assignment', 'letters'));
        foreach ([19, 301, -1] as $wrong) {
            $this->as('tara')->told('PUT', $path, ['letters' => $wrong], 422);
        }
        self::assertNull($this->as('tara')->told('PUT', $path, ['letters' => null])['letters']);
        $this->as('sam')->told('PUT', $path, ['letters' => 60], 404);
        self::assertNotContains('many-letters', $rules());
    }
}
