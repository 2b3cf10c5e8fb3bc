<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom\Roster;

use Rhapsode\App\Shared\Csv;
use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

/** A school's files as text, by their names. */
final readonly class RosterFiles
{
    /** @param array<string, string> $files */
    public function __construct(
        #[Assert\Count(min: 1, max: 40), Assert\All([new Assert\Type('string'), new Assert\Length(max: Limits::ROSTER_BYTES, charset: '8bit')])]
        public array $files,
    ) {}

    /** @return array<string, list<array<string, string>>> */
    public function tables(): array
    {
        $tables = [];
        foreach ($this->files as $name => $text) {
            // A zip file may hold them in a folder.
            $tables[basename((string) $name)] = Csv::read($text);
        }

        return $tables;
    }
}
