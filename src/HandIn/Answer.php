<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\HandIn\HandInState;

final readonly class Answer
{
    #[Text(most: Limits::ANSWER)]
    public string $answer;

    public function __construct(public HandInState $state, string $answer = '')
    {
        $this->answer = trim(Fields::cleaned($answer));
    }
}
