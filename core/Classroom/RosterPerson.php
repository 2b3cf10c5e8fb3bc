<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

/** Somebody on a school's roster. */
final readonly class RosterPerson
{
    /**
     * @param string $id    what the school calls them in its files
     * @param string $first first name
     * @param string $more  tells two of one name apart, and is not kept
     */
    public function __construct(public string $id, public string $first, public string $more = '') {}
}
