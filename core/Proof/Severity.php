<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

/** Must: the film would be spoilt or a rule broken. Should: better mended. */
enum Severity: string
{
    case Must = 'must';
    case Should = 'should';
}
