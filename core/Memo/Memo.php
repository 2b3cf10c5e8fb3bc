<?php

declare(strict_types=1);

namespace Rhapsode\Core\Memo;

/**
 * Remembers what was computed from the same things before: an edit changes one slide, and the others are planned just as
 * they were.
 */
interface Memo
{
    /**
     * @template T
     *
     * @param string        $key  tells everything that the result is computed from
     * @param \Closure(): T $make
     *
     * @return T
     */
    public function recall(string $key, \Closure $make): mixed;
}
