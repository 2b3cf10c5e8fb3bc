<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Rhapsode\App\Account\SecondStep\SecondStepMissing;
use Rhapsode\App\Account\SecondStep\SecondStepWrong;
use Rhapsode\App\Shared\Problem;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\PasswordHasher\PasswordHasherInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;

/** What somebody is told who is not signed in, or could not be. */
final readonly class NotSignedIn implements AuthenticationFailureHandlerInterface, AuthenticationEntryPointInterface
{
    public function __construct(private PasswordHasherFactoryInterface $hashers) {}

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        if ($exception->getPrevious() instanceof UserNotFoundException) {
            // The same work as for a name that is known: how long the answer takes must not tell which names there are.
            $payload = $request->getPayload();
            $isChild = $payload->has('words');
            $password = $payload->get($isChild ? 'words' : 'password');
            if (\is_string($password) && \strlen($password) <= PasswordHasherInterface::MAX_PASSWORD_LENGTH) {
                $this->hashers->getPasswordHasher($isChild ? ChildSecrets::HASHER : User::class)->hash($password);
            }
        }

        return $exception instanceof TooManyLoginAttemptsAuthenticationException
            ? new Problem(429, 'account.too-often')
            : new Problem(401, match (true) {
                $exception instanceof SecondStepMissing => 'account.second-step',
                $exception instanceof SecondStepWrong => 'account.wrong-code',
                default => self::wrong($request),
            });
    }

    private static function wrong(Request $request): string
    {
        return match ($request->attributes->get('_route')) {
            'sign_in_by_class' => 'account.wrong-words',
            'sign_in_by_card' => 'account.wrong-card',
            default => 'account.wrong',
        };
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return new Problem(401, 'account.sign-in-first');
    }
}
