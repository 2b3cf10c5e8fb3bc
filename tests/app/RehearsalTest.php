<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

/** How long the script takes is told to who may see the story, and follows what is written. */
final class RehearsalTest extends AppTestCase
{
    public function testItFollowsWhatIsWritten(): void
    {
        $story = $this->as('sam')->story();
        $path = "/api/stories/{$story}/rehearsal.json";
        $bare = $this->told('GET', $path);
        self::assertSame([130, false, []], [$bare['wordsPerMinute'], $bare['isLearned'], $bare['slides']]);

        $this->bringIn($story, self::newPicture(), 'reeds.jpg');
        $slide = StoryTest::text(self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides', 1, 'id'));
        $before = self::at($this->told('GET', $path), 'seconds');
        $this->edit($story, ['do' => 'set script', 'slide' => $slide, 'script' => str_repeat('The reeds bend, always. ', 6)]);
        $told = $this->told('GET', $path);
        $sentences = self::at($told, 'slides', $slide, 'sentences');
        self::assertIsArray($sentences);
        self::assertCount(6, $sentences);
        self::assertGreaterThan($before, self::at($told, 'seconds'));
    }
}
