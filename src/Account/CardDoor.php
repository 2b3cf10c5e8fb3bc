<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\EntityManagerInterface;

use function Symfony\Component\Clock\now;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;
use Symfony\Component\Security\Http\Authenticator\Passport\SelfValidatingPassport;

/** A child comes in with the card that was printed for them, a guest with a link, for a time. */
final class CardDoor extends Door
{
    public function __construct(SignedIn $in, NotSignedIn $not, private readonly EntityManagerInterface $entities)
    {
        parent::__construct($in, $not);
    }

    public function supports(Request $request): bool
    {
        return 'sign_in_by_card' === $request->attributes->get('_route');
    }

    public function authenticate(Request $request): Passport
    {
        [$code] = self::typed($request, 'code');

        return new SelfValidatingPassport(new UserBadge(
            Code::hash($code),
            function (string $hash): User {
                $found = $this->entities->getRepository(User::class)->findOneBy(['card' => $hash]);
                $isLate = null !== $found?->until && $found->until <= now();

                return null === $found || $isLate ? throw new UserNotFoundException() : $found;
            },
        ));
    }
}
