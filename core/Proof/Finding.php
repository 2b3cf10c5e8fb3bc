<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** One thing that would embarrass the maker or cost a mark, and what to do about it. */
final readonly class Finding
{
    public function __construct(public Level $level, public string $rule, public string $sentence, public ?string $slide = null) {}

    /** @return array{level: string, rule: string, sentence: string, slide: string|null} */
    public function toArray(): array
    {
        return ['level' => $this->level->value, 'rule' => $this->rule, 'sentence' => $this->sentence, 'slide' => $this->slide];
    }
}
