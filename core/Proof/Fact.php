<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Message\Message;

/** Something of a story that is counted, and not a matter of taste. */
final readonly class Fact
{
    /**
     * @param bool         $isRight whether it is as it should be, or as it was asked for
     * @param list<string> $slides  on which it is not
     */
    public function __construct(public Message $message, public bool $isRight, public array $slides = []) {}

    /** @return array{message: array<string, mixed>, isRight: bool, slides: list<string>} */
    public function toArray(): array
    {
        return ['message' => $this->message->toArray(), 'isRight' => $this->isRight, 'slides' => $this->slides];
    }
}
