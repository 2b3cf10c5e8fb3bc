<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/** A place where a recording may be cut: the second in the middle of a pause, how long that is, and how sure it is, 0.5 to 1. */
final readonly class SplitPoint
{
    public function __construct(public float $at, public float $pause, public float $confidence) {}
}
