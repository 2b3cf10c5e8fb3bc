<?php

declare(strict_types=1);

namespace Rhapsode\Core\Message;

/** Why something cannot be done, as a message for the person who asked. As an exception's text it is the facts, for a log. */
abstract class MessageException extends \DomainException
{
    public readonly Message $said;

    /** @param array<string, string|int|float|Message> $parameters of a code */
    final public function __construct(string|Message $said, array $parameters = [], ?\Throwable $previous = null)
    {
        $this->said = $said instanceof Message ? $said : new Message($said, $parameters);
        $facts = $this->said->toArray()['parameters'] ?? [];
        parent::__construct($this->said->code . ([] === $facts ? '' : ' ' . json_encode(
            $facts,
            \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_INVALID_UTF8_SUBSTITUTE | \JSON_PARTIAL_OUTPUT_ON_ERROR,
        )), 0, $previous);
    }
}
