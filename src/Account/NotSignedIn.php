<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Rhapsode\App\Shared\Problem;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;

/** What somebody is told who is not signed in, or could not be. */
final class NotSignedIn implements AuthenticationFailureHandlerInterface, AuthenticationEntryPointInterface
{
    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        return $exception instanceof TooManyLoginAttemptsAuthenticationException
            ? new Problem(429, 'That was wrong too often. Wait five minutes, or ask your teacher.')
            : new Problem(401, 'This name and password do not go together. Check both and try again.');
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return new Problem(401, 'Please sign in first.');
    }
}
