<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** Something to mend, said once, and every slide that has it with what is said of that one. */
final readonly class Finding
{
    /** @param array<string, string> $slides what is said of each slide by itself, by the slide's id */
    private function __construct(public Severity $level, public string $rule, public string $sentence, public array $slides) {}

    /**
     * @param list<Flaw> $flaws
     *
     * @return list<self> what must be mended first, else in the order of their first flaws
     */
    public static function gather(array $flaws): array
    {
        $alike = [];
        foreach ($flaws as $i => $flaw) {
            $alike['' === $flaw->many ? (string) $i : $flaw->rule][] = $flaw;
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
                $slides[$flaw->slide] = $flaw->sentence;
            }
        }

        return new self($flaws[0]->level, $flaws[0]->rule, 1 === \count($flaws) ? $flaws[0]->sentence : \sprintf($flaws[0]->many, \count($flaws)), $slides);
    }

    /** @return array{level: string, rule: string, sentence: string, slides: list<array{id: string, sentence: string}>} */
    public function toArray(): array
    {
        return [
            'level' => $this->level->value, 'rule' => $this->rule, 'sentence' => $this->sentence,
            'slides' => array_map(static fn(string $id, string $sentence): array => ['id' => $id, 'sentence' => $sentence], array_map(strval(...), array_keys($this->slides)), array_values($this->slides)),
        ];
    }
}
