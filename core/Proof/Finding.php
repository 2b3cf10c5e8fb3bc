<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Message\Message;

/** Something to mend, said once, and every slide that has it with what is said of that one. */
final readonly class Finding
{
    /**
     * @param array<string, Message> $slides  what is said of each slide by itself, by the slide's id
     * @param bool                   $isAsked whether it is the assignment that asks for it
     */
    private function __construct(public Severity $level, public string $rule, public Message $message, public array $slides, public bool $isAsked) {}

    /**
     * @param list<Flaw> $flaws
     *
     * @return list<self> what must be mended first, else in the order of their first flaws
     */
    public static function gather(array $flaws): array
    {
        $alike = [];
        foreach ($flaws as $i => $flaw) {
            $alike[null === $flaw->slide ? (string) $i : $flaw->rule][] = $flaw;
        }
        $findings = array_values(array_map(self::of(...), $alike));
        usort($findings, static fn(self $a, self $b): int => (Severity::Must === $b->level) <=> (Severity::Must === $a->level));

        return $findings;
    }

    /** @param non-empty-list<Flaw> $flaws of one rule */
    private static function of(array $flaws): self
    {
        $slides = [];
        foreach ($flaws as $flaw) {
            if (null !== $flaw->slide) {
                $slides[$flaw->slide] = $flaw->message();
            }
        }

        $said = 1 === \count($flaws) ? $flaws[0]->message() : new Message("proof.{$flaws[0]->rule}.many", ['count' => \count($flaws)]);

        return new self($flaws[0]->level, $flaws[0]->rule, $said, $slides, $flaws[0]->isAsked);
    }

    /** @return array{level: string, rule: string, isAsked: bool, message: array<string, mixed>, slides: list<array{id: string, message: array<string, mixed>}>} */
    public function toArray(): array
    {
        $slides = [];
        foreach ($this->slides as $id => $message) {
            $slides[] = ['id' => (string) $id, 'message' => $message->toArray()];
        }

        return ['level' => $this->level->value, 'rule' => $this->rule, 'isAsked' => $this->isAsked, 'message' => $this->message->toArray(), 'slides' => $slides];
    }
}
