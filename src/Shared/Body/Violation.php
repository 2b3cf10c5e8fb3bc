<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared\Body;

use Rhapsode\Core\Message\Message;
use Symfony\Component\Validator\ConstraintViolationInterface;
use Symfony\Component\Validator\ConstraintViolationListInterface;

/** Says what is wrong with a body as core would. A constraint has a code of the catalogue for its message. */
final class Violation
{
    private const NAMES = ['{{ min }}' => 'least', '{{ max }}' => 'most', '{{ limit }}' => 'least', '{{ choices }}' => 'choices', '{{ type }}' => 'type'];

    public static function first(ConstraintViolationListInterface $violations): Message
    {
        $first = $violations->get(0);
        $cause = $first->getCause();
        $known = [];
        foreach (array_intersect_key($first->getParameters(), self::NAMES) as $name => $value) {
            $known[self::NAMES[$name]] = \is_scalar($value) ? (string) $value : '';
        }

        return match (true) {
            $cause instanceof Message => new Message($cause->code, ['field' => $first->getPropertyPath()] + $cause->parameters),
            default => new Message(self::code($first), ['field' => $first->getPropertyPath()] + $known),
        };
    }

    private static function code(ConstraintViolationInterface $violation): string
    {
        return match (true) {
            str_starts_with($violation->getMessageTemplate(), 'field.') => $violation->getMessageTemplate(),
            // What the serializer could not make of the body.
            isset($violation->getParameters()['{{ type }}']) => 'field.type',
            default => 'field.invalid',
        };
    }
}
