<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Shared\Queue\Waiting;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StoryRecord;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** What is made before anybody asks for it: whose turn it is, what was used, and what was made in vain. */
final readonly class Ahead
{
    /** Parts an hour for each person: a story of two hundred slides once, or one of ten slides all hour long. */
    private const MOST = 400;
    private const WORKED_ON_LAST = '-1 day';
    private const KEPT_IN_VAIN = '-3 days';
    /** Share of the disk that stays free of what nobody has asked for. */
    private const FREE = 0.1;
    private const AT_ONCE = 500;

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $database,
        private Waiting $waiting,
        private Store $store,
    ) {}

    /**
     * The story that has rested longest of those that were changed lately and are not made ahead.
     *
     * @param int $rest seconds without a change
     */
    public function next(int $rest): ?StoryRecord
    {
        $id = $this->database->fetchOne(
            'SELECT s.id FROM story s LEFT JOIN story_ahead a ON a.story_id = s.id
             WHERE s.deleted_at IS NULL AND s.changed_at BETWEEN ? AND ? AND COALESCE(a.revision, 0) < s.revision ORDER BY s.changed_at, s.id LIMIT 1',
            [self::time(self::WORKED_ON_LAST), self::time("-{$rest} seconds")],
        );
        $this->entities->clear();

        return \is_string($id) ? $this->entities->find(StoryRecord::class, $id) : null;
    }

    public function done(StoryRecord $story): void
    {
        $this->database->executeStatement(
            'INSERT INTO story_ahead (story_id, revision) VALUES (?, ?) ON CONFLICT (story_id) DO UPDATE SET revision = GREATEST(story_ahead.revision, EXCLUDED.revision)',
            [(string) $story->id, $story->revision],
        );
    }

    /** Whether somebody waits for a worker. */
    public function isWaitedFor(): bool
    {
        return null !== $this->waiting->seconds(AheadWorker::QUEUE);
    }

    public function mayMakeMore(Uuid $owner): bool
    {
        $made = $this->database->fetchOne(
            'SELECT COUNT(*) FROM made_ahead WHERE owner_id = ? AND made_at > ?',
            [(string) $owner, self::time('-1 hour')],
        );

        return is_numeric($made) && $made < self::MOST;
    }

    /** Noted before it is made, so that whatever becomes of the worker, it is found again. */
    public function note(string $key, Uuid $owner): void
    {
        $this->database->executeStatement(
            'INSERT INTO made_ahead (key, owner_id, made_at) VALUES (?, ?, ?) ON CONFLICT DO NOTHING',
            [$key, (string) $owner, self::time()],
        );
    }

    /** @param list<string> $keys what a film is about to use: no more in vain */
    public function used(array $keys): void
    {
        $this->database->executeStatement(
            'DELETE FROM made_ahead WHERE key = ANY (ARRAY(SELECT jsonb_array_elements_text(?::jsonb)))',
            [json_encode($keys, \JSON_THROW_ON_ERROR)],
        );
    }

    /**
     * Removes what was made in vain: what is old, and all of it when space is short.
     *
     * @return int how much went
     */
    public function sweep(): int
    {
        $before = self::time($this->isSpaceShort() ? 'now' : self::KEPT_IN_VAIN);

        return $this->database->transactional(function () use ($before): int {
            // A film that is about to use one of them waits here, and then sees that it is gone.
            $keys = $this->database->fetchFirstColumn(
                'DELETE FROM made_ahead WHERE key IN (SELECT key FROM made_ahead WHERE made_at <= ? ORDER BY made_at LIMIT ' . self::AT_ONCE . ' FOR UPDATE SKIP LOCKED) RETURNING key',
                [$before],
            );
            foreach ($keys as $key) {
                \assert(\is_string($key));
                $this->store->remove($key);
            }

            return \count($keys);
        });
    }

    public function isSpaceShort(): bool
    {
        $folder = $this->store->folder();
        $all = is_dir($folder) ? disk_total_space($folder) : false;

        return false !== $all && $all > 0 && disk_free_space($folder) < self::FREE * $all;
    }

    /** As the database has times, in UTC. */
    private static function time(string $when = 'now'): string
    {
        return now($when)->format('Y-m-d H:i:s');
    }
}
