<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/**
 * A piece of a script that is never divided, with the spaces behind it. $length in characters without those spaces, $weight how
 * long it takes to say compared with others, $break what comes after it.
 */
final readonly class Unit
{
    public const WORD = 0;
    public const CLAUSE = 1;
    public const SENTENCE = 2;
    /** Somebody else begins to speak. */
    public const TURN = 3;

    /** @param self::* $break */
    public function __construct(public string $text, public int $length, public int $spaces, public float $weight, public int $break) {}
}
