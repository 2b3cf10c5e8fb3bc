<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

/** The story of one's own that all for a task begin with; null for none. */
final readonly class BeginningTold
{
    public function __construct(public ?string $story) {}
}
