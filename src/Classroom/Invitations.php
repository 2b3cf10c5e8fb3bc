<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Code;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Message\Message;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Inviting grown-ups by a link, which works once. */
final readonly class Invitations
{
    public function __construct(private EntityManagerInterface $entities, private UserPasswordHasherInterface $hasher) {}

    /**
     * @param list<Classroom> $classes   that the school's own files say they teach
     * @param string|null     $sourcedId what they are called there
     *
     * @return array{code: string, until: string} what the link says, told once, and until when it may be used
     */
    public function make(
        School $school,
        Role $role,
        ?Classroom $classroom = null,
        ?Part $part = null,
        array $classes = [],
        ?string $sourcedId = null,
    ): array {
        $code = Code::make();
        $invitation = new Invitation($school, Code::hash($code), $role, $classroom, $part);
        $invitation->classes = new ArrayCollection($classes);
        $invitation->sourcedId = $sourcedId;
        $this->entities->persist($invitation);
        $this->entities->flush();

        return ['code' => $code, 'until' => $invitation->until->format(\DATE_RFC3339)];
    }

    /** @throws NotFoundHttpException where it is none, was used or is too old */
    public function read(string $code): Invitation
    {
        $found = $this->entities->getRepository(Invitation::class)->findOneBy(['code' => Code::hash($code)]);

        return null !== $found && $found->isOpen() ? $found : throw new NotFoundHttpException();
    }

    /** @throws Refused where somebody signs in by that name already */
    public function accept(NewAccount $new): User
    {
        try {
            return $this->once($new->code, function (Invitation $invitation) use ($new): User {
                if (null !== $this->entities->getRepository(User::class)->findOneBy(['name' => $new->name])) {
                    throw self::taken($new);
                }
                // Whom the school's files tell of has an account by another link.
                $known = ['school' => $invitation->school, 'sourcedId' => $invitation->sourcedId];
                if (null !== $invitation->sourcedId && null !== $this->entities->getRepository(User::class)->findOneBy($known)) {
                    throw new NotFoundHttpException();
                }
                $user = new User($invitation->school, $new->name, $new->firstName, $invitation->role);
                $user->sourcedId = $invitation->sourcedId;
                $user->password = $this->hasher->hashPassword($user, $new->password);
                $this->entities->persist($user);
                $this->teach($invitation, $user);

                return $user;
            });
        } catch (UniqueConstraintViolationException) {
            throw self::taken($new);
        }
    }

    /** Who has an account in the school comes to the class with it. Invited to a class that one teaches, nothing changes. */
    public function take(string $code, User $user): Invitation
    {
        return $this->once($code, function (Invitation $invitation) use ($user): Invitation {
            // An account of another school, or one of a student, is not meant.
            if (!$invitation->school->id->equals($user->school->id) || null === $invitation->classroom) {
                throw new NotFoundHttpException();
            }
            $this->teach($invitation, $user);

            return $invitation;
        });
    }

    private function teach(Invitation $invitation, User $user): void
    {
        if (null !== $invitation->classroom && null === $invitation->classroom->part($user)) {
            $invitation->classroom->teachings->add(new Teaching($user, $invitation->classroom, $invitation->part ?? Part::Helper));
        }
        foreach ($invitation->classes as $classroom) {
            $classroom->teachings->add(new Teaching($user, $classroom));
        }
    }

    /**
     * Used twice at once, it is used once.
     *
     * @template T
     *
     * @param \Closure(Invitation): T $act
     *
     * @return T
     */
    private function once(string $code, \Closure $act): mixed
    {
        return $this->entities->wrapInTransaction(function () use ($code, $act): mixed {
            $invitation = $this->read($code);
            $this->entities->refresh($invitation, LockMode::PESSIMISTIC_WRITE);
            if (!$invitation->isOpen()) {
                throw new NotFoundHttpException();
            }
            $done = $act($invitation);
            $invitation->usedAt = now();

            return $done;
        });
    }

    private static function taken(NewAccount $new): Refused
    {
        return new Refused(new Message('account.name-taken', ['name' => $new->name]));
    }
}
