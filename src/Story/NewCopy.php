<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

final readonly class NewCopy
{
    #[Text(most: Limits::TITLE, least: 1)]
    public string $title;

    public function __construct(string $title, public bool $voices)
    {
        $this->title = trim(Fields::cleaned($title));
    }
}
