<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Thanks;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

final readonly class ThanksTold
{
    /** A sentence, or nothing. */
    #[Text(most: Limits::THANKS)]
    public string $words;

    public function __construct(string $words = '')
    {
        $this->words = trim(Fields::cleaned($words));
    }
}
