<?php

declare(strict_types=1);

namespace Rhapsode\App\Forgetting;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Story\StoryRecord;

/** A student goes for good, with what they made for themselves. */
final readonly class PersonForgotten
{
    public function __construct(private EntityManagerInterface $entities, private StoryForgotten $stories) {}

    /** Whether they went: who is, or was, in another class that is kept stays, and who has a hand in what is kept, each with all that is theirs. */
    public function forget(User $person): bool
    {
        if (Role::Student !== $person->role || null !== $this->entities->getRepository(Membership::class)->findOneBy(['student' => $person])) {
            return false;
        }
        $stories = $this->made($person);
        if ($this->hasAHandIn($person, $stories)) {
            return false;
        }
        foreach ($stories as $story) {
            $this->stories->remove($story, $this->entities->wrapInTransaction(fn(): array => $this->stories->forget($story)));
        }
        $this->entities->detach($person);

        return 1 === $this->entities->getConnection()->executeStatement('DELETE FROM person WHERE id = ?', [(string) $person->id]);
    }

    /**
     * Whether something that is kept is theirs too: a story that others make with them, a picture or a change in one of somebody else's.
     *
     * @param list<StoryRecord> $stories that they make
     */
    private function hasAHandIn(User $person, array $stories): bool
    {
        $elsewhere = <<<'SQL'
            SELECT 1 FROM story s WHERE s.owner_id <> :person AND (
                EXISTS (SELECT 1 FROM asset a WHERE a.place = s.id AND a.owner_id = :person)
                OR EXISTS (SELECT 1 FROM story_change c WHERE c.story_id = s.id AND c.author_id = :person)
            )
            SQL;

        return array_any($stories, static fn(StoryRecord $story): bool => \count($story->makers()) > 1)
            || false !== $this->entities->getConnection()->fetchOne($elsewhere, ['person' => (string) $person->id]);
    }

    /** @return list<StoryRecord> */
    private function made(User $person): array
    {
        /** @var list<StoryRecord> $stories */
        $stories = $this->entities->createQuery('SELECT s FROM ' . StoryRecord::class . ' s LEFT JOIN s.others o WHERE s.owner = :person OR o.id = :person')
            ->setParameter('person', $person->id, 'uuid')->getResult();

        return $stories;
    }
}
