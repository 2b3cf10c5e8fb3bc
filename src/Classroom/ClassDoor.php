<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\ChildSecrets;
use Rhapsode\App\Account\Door;
use Rhapsode\App\Account\NotSignedIn;
use Rhapsode\App\Account\SignedIn;
use Rhapsode\App\Account\User;
use Rhapsode\Core\Classroom\FirstName;
use Rhapsode\Core\Classroom\Secret;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Core\User\UserInterface;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\CustomCredentials;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;

/** A child comes in by what the class is called, their name in it and three easy words. */
final class ClassDoor extends Door
{
    public function __construct(SignedIn $in, NotSignedIn $not, private readonly Members $members, private readonly ChildSecrets $secrets)
    {
        parent::__construct($in, $not);
    }

    public function supports(Request $request): bool
    {
        return 'sign_in_by_class' === $request->attributes->get('_route');
    }

    public function authenticate(Request $request): Passport
    {
        [$class, $name, $words] = self::typed($request, 'class', 'name', 'words');
        // By this guessing is slowed down (Account/Guessing), for each child by itself: a whole class may sit behind one address.
        $who = Secret::meant($class) . '/' . FirstName::key($name);

        return new Passport(
            new UserBadge($who, fn(): User => $this->members->called($class, $name) ?? throw new UserNotFoundException()),
            new CustomCredentials(
                fn(mixed $meant, UserInterface $child): bool => \is_string($meant) && $child instanceof User && $this->secrets->are($child, $meant),
                Secret::meant($words),
            ),
        );
    }
}
