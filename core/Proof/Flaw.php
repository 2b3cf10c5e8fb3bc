<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** One thing to mend at one place, and what to do about it: of one slide, or of the story. */
final readonly class Flaw
{
    /** @param string $many how it is said of several slides, with %d for how many */
    public function __construct(public Severity $level, public string $rule, public string $sentence, public ?string $slide = null, public string $many = '') {}
}
