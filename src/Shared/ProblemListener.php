<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Psr\Log\LoggerInterface;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Exception\RequestExceptionInterface;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Serializer\Exception\NotEncodableValueException;
use Symfony\Component\Validator\Exception\ValidationFailedException;

/** Answers every exception with a problem. */
#[AsEventListener(priority: 8)]
final readonly class ProblemListener
{
    public function __construct(private LoggerInterface $logger, private TokenStorageInterface $tokens) {}

    public function __invoke(ExceptionEvent $event): void
    {
        $error = $event->getThrowable();
        $denied = $error instanceof AccessDeniedException;
        if ($denied && null === $this->tokens->getToken()?->getUser()) {
            return; // The firewall asks for a sign-in.
        }
        $event->setResponse(match (true) {
            // What is not yours looks just like what is not there.
            $denied => self::notFound(),
            $error instanceof Refused => new Problem(409, $error->getMessage()),
            $error instanceof Malformed, $error instanceof Unreadable => new Problem(422, $error->getMessage()),
            $error instanceof Stale => new Problem(412, 'The story was changed elsewhere in the meantime.', ['revision' => $error->revision]),
            $error->getPrevious() instanceof ValidationFailedException => new Problem(422, self::firstOf($error->getPrevious())),
            $error->getPrevious() instanceof NotEncodableValueException => new Problem(422, 'The request is not valid JSON.'),
            $error->getPrevious() instanceof RequestExceptionInterface => new Problem(400, 'That could not be understood.'),
            $error instanceof HttpExceptionInterface => match ($error->getStatusCode()) {
                404, 403 => self::notFound(),
                405 => new Problem(405, 'That cannot be done here.'),
                413 => new Problem(413, 'That file is too large.'),
                400, 409, 415, 422, 429 => new Problem($error->getStatusCode(), '' === $error->getMessage() ? 'That could not be understood.' : $error->getMessage()),
                default => new Problem($error->getStatusCode(), 'Something went wrong here. Nothing that was saved is lost. Please try again.'),
            },
            default => new Problem(500, 'Something went wrong here. Nothing that was saved is lost. Please try again.'),
        });
        if (($event->getResponse()?->getStatusCode() ?? 500) >= 500) {
            $this->logger->error('request failed', ['exception' => $error]);
        }
    }

    private static function firstOf(ValidationFailedException $failed): string
    {
        $first = $failed->getViolations()->get(0);

        return \sprintf('“%s” %s.', $first->getPropertyPath(), rtrim(lcfirst(str_replace('This value ', '', (string) $first->getMessage())), '.'));
    }

    private static function notFound(): Problem
    {
        return new Problem(404, 'There is nothing here, or it is not yours to see.');
    }
}
