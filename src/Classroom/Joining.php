<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** A code that stood on a board, and what whoever typed it is called. */
final readonly class Joining
{
    #[Text(most: Limits::FIRST_NAME, least: 1)]
    public string $name;

    public function __construct(public string $code, string $name)
    {
        $this->name = trim(Fields::cleaned($name));
    }
}
