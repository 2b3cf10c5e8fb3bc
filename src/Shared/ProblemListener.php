<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Psr\Log\LoggerInterface;
use Rhapsode\App\Shared\Body\Violation;
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
            $error instanceof Refused => new Problem(409, $error->said),
            $error instanceof Malformed, $error instanceof Unreadable => new Problem(422, $error->said),
            $error instanceof DiskFull => new Problem(507, 'problem.disk-full'),
            $error instanceof Stale => new Problem(412, 'problem.stale', ['revision' => $error->revision]),
            $error->getPrevious() instanceof ValidationFailedException => new Problem(
                422,
                Violation::first($error->getPrevious()->getViolations()),
            ),
            $error->getPrevious() instanceof NotEncodableValueException => new Problem(422, 'request.not-json'),
            $error->getPrevious() instanceof RequestExceptionInterface => new Problem(400, 'problem.not-understood'),
            $error instanceof HttpExceptionInterface => match ($error->getStatusCode()) {
                404, 403 => self::notFound(),
                405 => new Problem(405, 'problem.not-here'),
                413 => new Problem(413, 'problem.too-large'),
                400, 409, 415, 422, 429 => new Problem($error->getStatusCode(), 'problem.not-understood'),
                428 => new Problem(428, 'problem.no-revision'),
                default => new Problem($error->getStatusCode(), 'problem.wrong-here'),
            },
            default => new Problem(500, 'problem.wrong-here'),
        });
        if (($event->getResponse()?->getStatusCode() ?? 500) >= 500) {
            $this->logger->error('request failed', ['exception' => $error]);
        }
    }

    private static function notFound(): Problem
    {
        return new Problem(404, 'problem.not-found');
    }
}
