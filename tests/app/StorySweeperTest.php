<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Doctrine\DBAL\Connection;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StorySweeper;
use Rhapsode\Core\Film\FilmState;

/** What was deleted goes for good, after a time in which it could be had back. */
final class StorySweeperTest extends AppTestCase
{
    /** @return string a story with a picture, changed and with a film ordered, and deleted so many days ago */
    private function deleted(int $days): string
    {
        $story = $this->as('sam')->story();
        $this->bringIn($story, $path = self::newPicture(), slide: 'pic');
        unlink($path);
        $this->edit($story, ['do' => 'rename', 'title' => 'To be gone']);
        $this->told('GET', "/api/stories/{$story}");
        $this->told('POST', "/api/stories/{$story}/films", null, 202);
        $this->ask('DELETE', "/api/stories/{$story}");
        self::service(Connection::class)->executeStatement(
            "UPDATE story SET deleted_at = now() AT TIME ZONE 'UTC' - ? * INTERVAL '1 day' WHERE id = ?",
            [$days, $story],
        );
        $this->entities()->clear();

        return $story;
    }

    private function rows(string $table, string $story): int
    {
        $column = match ($table) {
            'story' => 'id',
            'asset' => 'place',
            default => 'story_id',
        };
        $count = self::service(Connection::class)->fetchOne("SELECT COUNT(*) FROM {$table} WHERE {$column} = ?", [$story]);

        return is_numeric($count) ? (int) $count : -1;
    }

    public function testItGoesWithAllThatHangsOnIt(): void
    {
        $story = $this->deleted(31);
        $store = self::service(Store::class);
        $asset = self::service(Connection::class)->fetchOne('SELECT id FROM asset WHERE place = ?', [$story]);
        \assert(\is_string($asset));
        self::assertDirectoryExists($store->folder() . "/pictures/{$asset}");
        self::assertDirectoryExists($store->folder() . "/planned/{$story}");

        self::assertSame(1, self::service(StorySweeper::class)->sweep());
        foreach (['story', 'asset', 'story_change', 'film'] as $table) {
            self::assertSame(0, $this->rows($table, $story), $table);
        }
        self::assertDirectoryDoesNotExist($store->folder() . "/pictures/{$asset}");
        self::assertDirectoryDoesNotExist($store->folder() . "/planned/{$story}");
        self::assertSame(0, self::service(StorySweeper::class)->sweep());
    }

    public function testForATimeItCanBeHadBack(): void
    {
        $story = $this->deleted(29);
        self::assertSame(0, self::service(StorySweeper::class)->sweep());

        self::assertSame(204, $this->ask('POST', "/api/stories/{$story}/restore")->getStatusCode());
        self::assertSame('To be gone', self::at($this->told('GET', "/api/stories/{$story}"), 'story', 'title'));
    }

    public function testWhatWasHandedInStays(): void
    {
        $id = $this->deleted(400);
        $story = $this->entities()->find(StoryRecord::class, $id);
        $film = $this->entities()->getRepository(FilmRecord::class)->findOneBy(['story' => $id]);
        $assignment = $this->entities()->find(Assignment::class, $this->assignment->id);
        \assert(null !== $story && null !== $film && null !== $assignment);
        $film->state = FilmState::Done;
        $this->entities()->persist(new HandIn($assignment, $story->owner, $story, $film, 1));
        $this->entities()->flush();
        $this->entities()->clear();

        self::assertSame(0, self::service(StorySweeper::class)->sweep());
        self::assertSame([1, 1, 1], [$this->rows('story', $id), $this->rows('asset', $id), $this->rows('film', $id)]);
    }
}
