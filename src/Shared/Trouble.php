<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Rhapsode\App\Shared\Body\Text;

/** What a page threw, and where. */
final readonly class Trouble
{
    public function __construct(
        #[Text(most: 200)]
        public string $where,
        #[Text(most: 2000, least: 1)]
        public string $what,
        #[Text(most: 8000)]
        public string $trace = '',
    ) {}
}
