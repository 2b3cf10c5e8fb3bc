<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** What a page threw, and where. */
final readonly class Trouble
{
    public function __construct(
        public string $where,
        public string $what,
        public string $trace = '',
    ) {}

    /**
     * As a line of the log has it: of each so many characters.
     *
     * @return array{where: string, what: string, trace: string}
     */
    public function logged(): array
    {
        $cut = static fn(string $text, int $most): string => mb_substr(mb_scrub($text, 'UTF-8'), 0, $most);

        return ['where' => $cut($this->where, 200), 'what' => $cut($this->what, 2000), 'trace' => $cut($this->trace, 8000)];
    }
}
