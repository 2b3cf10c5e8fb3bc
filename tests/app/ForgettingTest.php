<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\TestWith;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Forgetting\Forgetting;
use Rhapsode\App\HandIn\Guest;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\HandIn\Thanks\Thanks;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** What an archived class has made goes after the years that its school has said, and not before. */
final class ForgettingTest extends AppTestCase
{
    private const TABLES = [
        'classroom', 'assignment', 'membership', 'teaching', 'story', 'story_change', 'story_maker', 'asset', 'film', 'hand_in', 'remark',
        'peer_answer', 'thanks', 'guest', 'person',
    ];

    /** @return array<string, int> */
    private function rows(): array
    {
        $counts = [];
        foreach (self::TABLES as $table) {
            $count = self::service(Connection::class)->fetchOne("SELECT COUNT(*) FROM {$table}");
            $counts[$table] = is_numeric($count) ? (int) $count : -1;
        }

        return $counts;
    }

    /** Archived so many days ago; the school has said so long ago how many years it keeps it. */
    private function archived(int $days, ?int $years, int $saidDays): void
    {
        $this->as('tara')->ask('POST', "/api/classes/{$this->classroom->id}/archive");
        $this->as('ada')->told('PUT', '/api/school', ['name' => 'A house', 'zone' => 'UTC', 'keepsYears' => $years]);
        $sql = self::service(Connection::class);
        $sql->executeStatement("UPDATE classroom SET archived_at = now() AT TIME ZONE 'UTC' - ? * INTERVAL '1 day' WHERE id = ?", [$days, (string) $this->classroom->id]);
        $sql->executeStatement("UPDATE school SET keeping_told_at = now() AT TIME ZONE 'UTC' - ? * INTERVAL '1 day' WHERE keeps_years IS NOT NULL", [$saidDays]);
        $this->entities()->clear();
    }

    /** A film handed in, with whatever can be said of it, and a story of one's own beside it. */
    private function lived(): HandIn
    {
        $handIn = $this->handsIn('sam');
        $entities = $this->entities();
        $entities->persist(new Remark($handIn, $this->people['tara'], 3, 't', 'Well seen.'));
        $answer = new PeerAnswer($handIn, $this->people['sue']);
        $entities->persist($answer);
        $entities->persist(new Thanks($handIn, $this->people['sue'], 'Thank you'));
        $guest = new User($this->school, null, 'Gran', Role::Guest);
        $entities->persist($guest);
        $entities->persist(new Guest($guest, $handIn));
        $entities->flush();
        $this->as('sam')->told('POST', '/api/stories', ['title' => 'My own'], 201);
        $this->bringIn((string) $handIn->story->id, $path = self::newPicture(), slide: 'pic');
        unlink($path);

        return $handIn;
    }

    public function testItGoesWithEverythingThatHangsOnIt(): void
    {
        $before = $this->rows();
        $handIn = $this->lived();
        $film = self::service(Store::class)->folder() . "/films/{$handIn->film->id}";
        @mkdir($film, 0o777, true);
        $this->archived(366, 1, 31);

        self::assertSame(1, self::service(Forgetting::class)->sweep());
        // The class, its task, who taught it and who was in it; nothing else than was there before, and nothing less.
        $gone = ['classroom' => 1, 'assignment' => 1, 'membership' => 2, 'teaching' => 2, 'person' => 2];
        self::assertSame(array_map(static fn(string $table): int => $before[$table] - ($gone[$table] ?? 0), array_combine(self::TABLES, self::TABLES)), $this->rows());
        self::assertDirectoryDoesNotExist($film);
        self::assertSame(0, self::service(Forgetting::class)->sweep());
        // Whoever was signed in is somebody no more.
        $this->as('sam')->told('GET', '/api/desk', null, 401);
        $this->as('tara')->told('GET', "/api/classes/{$this->classroom->id}", null, 404);
    }

    #[TestWith([364, 1, 31])]
    #[TestWith([4000, null, 31])]
    #[TestWith([4000, 1, 29])]
    #[TestWith([729, 2, 400])]
    public function testUntilThenItStays(int $days, ?int $years, int $saidDays): void
    {
        $this->lived();
        $this->archived($days, $years, $saidDays);
        $before = $this->rows();

        self::assertSame(0, self::service(Forgetting::class)->sweep());
        self::assertSame($before, $this->rows());
    }

    public function testAClassWhoseYearGoesOnStays(): void
    {
        $this->lived();
        $this->archived(5000, 1, 100);
        $this->as('tara')->ask('DELETE', "/api/classes/{$this->classroom->id}/archive");
        $before = $this->rows();

        self::assertSame(0, self::service(Forgetting::class)->sweep());
        self::assertSame($before, $this->rows());
    }

    public function testWhoIsInAnotherClassStaysWithWhatIsTheirs(): void
    {
        $this->lived();
        $sam = $this->entities()->find(User::class, $this->people['sam']->id);
        \assert(null !== $sam);
        $next = new Classroom('Class C', $sam->school, 'goose ferry');
        $this->entities()->persist($next);
        $this->entities()->persist(new Membership($sam, $next));
        $this->entities()->flush();
        $this->archived(366, 1, 31);

        self::assertSame(1, self::service(Forgetting::class)->sweep());
        $stories = $this->as('sam')->told('GET', '/api/desk')['stories'];
        self::assertIsArray($stories);
        self::assertSame(['My own'], array_column($stories, 'title'));
        self::assertNull($this->entities()->find(User::class, $this->people['sue']->id));
    }

    public function testWhoHasAHandInWhatIsKeptStaysWithAllThatIsTheirs(): void
    {
        $this->lived();
        $entities = $this->entities();
        $ben = $entities->find(User::class, $this->people['ben']->id);
        \assert(null !== $ben);
        $kept = new StoryRecord($ben, new Story('Of another class', [new Slide('t')]));
        $entities->persist($kept);
        $entities->flush();
        self::service(Connection::class)->executeStatement('UPDATE asset SET place = ? WHERE owner_id = ?', [(string) $kept->id, (string) $this->people['sam']->id]);
        $this->archived(366, 1, 31);

        self::assertSame(1, self::service(Forgetting::class)->sweep());
        self::assertSame(['My own'], array_column((array) $this->as('sam')->told('GET', '/api/desk')['stories'], 'title'));
        self::assertNull($this->entities()->find(User::class, $this->people['sue']->id));
    }

    public function testWhatGoesWhenIsSaidToWhomItConcerns(): void
    {
        $this->lived();
        $this->archived(0, 2, 0);
        $goes = (new \DateTimeImmutable('+2 years', new \DateTimeZone('UTC')))->format('Y-m-d');

        self::assertSame($goes, $this->as('tara')->told('GET', "/api/classes/{$this->classroom->id}")['goesOn']);
        self::assertSame([$goes], array_column((array) $this->told('GET', '/api/desk')['archived'], 'goesOn'));
        $school = $this->as('ada')->told('GET', '/api/school');
        self::assertSame(2, $school['keepsYears']);
        self::assertEqualsCanonicalizing([$goes, null], array_column((array) $school['classes'], 'goesOn'));
        $stories = array_column((array) $this->as('sam')->told('GET', '/api/desk')['stories'], 'goesOn', 'title');
        self::assertNull($stories['My own']);
        self::assertContains($goes, $stories);
        foreach ([0, 11] as $years) {
            $this->as('ada')->told('PUT', '/api/school', ['name' => 'A house', 'zone' => 'UTC', 'keepsYears' => $years], 422);
        }
    }
}
