<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Account\GoodPassword;
use Rhapsode\App\Account\People;
use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** An account that an invitation opens: what one signs in with, and what one is called. */
final readonly class NewAccount
{
    #[Text(most: Limits::FIRST_NAME, least: 1)]
    public string $firstName;

    #[Text(most: Limits::SIGN_IN_NAME, least: 1)]
    public string $name;

    public function __construct(
        public string $code,
        string $firstName,
        string $name,
        #[\SensitiveParameter]
        #[GoodPassword]
        public string $password,
    ) {
        $this->firstName = trim(Fields::cleaned($firstName));
        $this->name = People::signInName(Fields::cleaned($name));
    }
}
