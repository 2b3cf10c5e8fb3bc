<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Doctrine\DBAL\Connection;
use Rhapsode\App\Film\Ahead;
use Rhapsode\App\Film\AheadWorker;
use Rhapsode\App\Film\FilmWorker;
use Rhapsode\App\Film\MakeFilm;
use Rhapsode\App\Shared\Store;
use Symfony\Component\Messenger\MessageBusInterface;

/** Parts of films that are made before anybody asks for them. */
final class AheadTest extends AppTestCase
{
    /** @return string a story with one short picture, that has rested for a minute */
    private function rested(): string
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, $path = self::newPicture(), slide: 'pic');
        unlink($path);
        $slides = (array) self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'slides');
        $this->edit($story, ['do' => 'set stay', 'slides' => array_column($slides, 'id'), 'stay' => 1.0]);
        $this->rest();

        return $story;
    }

    private function rest(): void
    {
        self::service(Connection::class)->executeStatement("UPDATE story SET changed_at = changed_at - INTERVAL '1 minute'");
    }

    /** Does what idle workers do. @return int how often there was something to do */
    private function idle(): int
    {
        $worker = self::service(AheadWorker::class);
        for ($n = 0; $n < 50 && $worker->step(30); ++$n);

        return $n;
    }

    /** @return list<string> the keys of what is made ahead and not used yet */
    private static function noted(): array
    {
        /** @var list<string> $keys */
        $keys = self::service(Connection::class)->fetchFirstColumn('SELECT key FROM made_ahead ORDER BY key');

        return $keys;
    }

    public function testARestedStorysFilmIsThereButForConcatenating(): void
    {
        $story = $this->rested();
        self::assertGreaterThan(0, $this->idle());
        self::assertSame(0, $this->idle(), 'nothing is made twice');
        $store = self::service(Store::class);
        $keys = self::noted();
        self::assertNotSame([], preg_grep('#^segments/#', $keys));
        self::assertCount(1, (array) preg_grep('#^sounds/#', $keys));
        foreach ($keys as $key) {
            self::assertTrue($store->has($key), $key);
        }

        $film = StoryTest::text($this->told('POST', "/api/stories/{$story}/films", null, 202)['id']);
        self::service(FilmWorker::class)->make(new MakeFilm($film));
        $state = $this->told('GET', "/api/films/{$film}");
        self::assertSame(['joining', 0], [$state['state'], $state['frames']], 'no frame is left to make');
        self::assertNotContains($keys[0], self::noted(), 'what a film uses was not made in vain');
    }

    public function testAnEditLeavesOnlyWhatItTouches(): void
    {
        $story = $this->rested();
        $this->bringIn($story, $path = self::newPicture(), slide: 'last', after: ['pic']);
        unlink($path);
        $this->edit($story, ['do' => 'set stay', 'slides' => ['last'], 'stay' => 2.0]);
        $this->rest();
        $this->idle();
        $before = self::noted();
        $this->edit(
            $story,
            ['do' => 'set layer', 'slide' => 'last', 'layer' => 'caption', 'kind' => 'words', 'changes' => ['text' => 'Another word.']],
        );
        self::assertSame(0, $this->idle(), 'it has not rested');
        $this->rest();
        $this->idle();

        $new = array_diff(self::noted(), $before);
        self::assertNotSame([], $new);
        self::assertSame([], preg_grep('#^sounds/#', $new), 'the sound is the same');
        self::assertLessThan(\count((array) preg_grep('#^segments/#', $before)), \count($new), 'the title is the same');
    }

    public function testWhoWaitsForAFilmGoesFirst(): void
    {
        $this->rested();
        self::service(MessageBusInterface::class)->dispatch(new MakeFilm('018f0000-0000-7000-8000-000000000000'));

        self::assertFalse(self::service(AheadWorker::class)->step(30));
        self::assertSame([], array_filter(self::noted(), self::service(Store::class)->has(...)), 'a part begun is not half there');
    }

    public function testADeletedStoryIsLeftAlone(): void
    {
        $story = $this->rested();
        self::assertSame(204, $this->ask('DELETE', "/api/stories/{$story}")->getStatusCode());

        self::assertSame(0, $this->idle());
    }

    public function testAPersonHasABound(): void
    {
        $story = $this->rested();
        self::service(Connection::class)->executeStatement(
            "INSERT INTO made_ahead SELECT 'segments/aa/' || n || '.mp4', owner_id, now() AT TIME ZONE 'UTC' FROM story, generate_series(1, 400) n WHERE story.id = ?",
            [$story],
        );
        $this->idle();

        self::assertCount(400, self::noted());
    }

    public function testWhatWasMadeInVainGoes(): void
    {
        $this->rested();
        $this->idle();
        $ahead = self::service(Ahead::class);
        self::assertSame(0, $ahead->sweep(), 'not yet');
        $keys = self::noted();
        self::service(Connection::class)->executeStatement("UPDATE made_ahead SET made_at = made_at - INTERVAL '4 days'");

        self::assertSame(\count($keys), $ahead->sweep());
        self::assertSame([], array_filter($keys, self::service(Store::class)->has(...)));
    }
}
