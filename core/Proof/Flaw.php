<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Message\Message;

/** One thing to mend at one place: of one slide, or of the story. */
final readonly class Flaw
{
    /**
     * @param string                          $rule       names what is said of one, proof.RULE, and of several slides, proof.RULE.many
     * @param array<string, string|int|float> $parameters of what is said of one
     * @param bool                            $isAsked    whether the assignment asks for it: without one it would weigh less, or not be told
     */
    public function __construct(
        public Severity $level,
        public string $rule,
        private array $parameters = [],
        public ?string $slide = null,
        public bool $isAsked = false,
    ) {}

    /** The same, where the assignment asks for it. */
    public function asked(Severity $level = Severity::Must): self
    {
        return new self($level, $this->rule, $this->parameters, $this->slide, true);
    }

    public function message(): Message
    {
        return new Message('proof.' . $this->rule, $this->parameters);
    }
}
