<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Http\Authenticator\AbstractAuthenticator;

/** A way in besides a name and a password: what is answered is the same. */
abstract class Door extends AbstractAuthenticator
{
    /** Of anything that is typed or read at a door. */
    private const MOST = 200;

    public function __construct(private readonly SignedIn $in, private readonly NotSignedIn $not) {}

    public function onAuthenticationSuccess(Request $request, TokenInterface $token, string $firewallName): Response
    {
        return $this->in->onAuthenticationSuccess($request, $token);
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return $this->not->onAuthenticationFailure($request, $exception);
    }

    /**
     * @return list<string> what stands under these names
     *
     * @throws BadCredentialsException where one of them cannot be what was meant
     */
    protected static function typed(Request $request, string ...$names): array
    {
        $body = json_decode($request->getContent(), true);
        $found = [];
        foreach ($names as $name) {
            $one = \is_array($body) ? $body[$name] ?? null : null;
            if (!\is_string($one) || '' === $one || \strlen($one) > self::MOST || !mb_check_encoding($one, 'UTF-8')) {
                throw new BadCredentialsException();
            }
            $found[] = $one;
        }

        return $found;
    }
}
