<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Limits;

/** A list of first names, as somebody has it lying about. */
final readonly class NewStudents
{
    public function __construct(#[Text(most: Limits::NAMES)] public string $list) {}
}
