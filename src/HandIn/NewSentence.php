<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

final readonly class NewSentence
{
    #[Text(most: Limits::REMARK, least: 1)]
    public string $text;

    public function __construct(string $text)
    {
        $this->text = trim(Fields::cleaned($text));
    }
}
