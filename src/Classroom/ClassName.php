<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

final readonly class ClassName
{
    #[Text(most: Limits::CLASSROOM, least: 1)]
    public string $name;

    public function __construct(string $name)
    {
        $this->name = trim(Fields::cleaned($name));
    }
}
