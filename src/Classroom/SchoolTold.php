<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class SchoolTold
{
    #[Text(most: Limits::CLASSROOM, least: 1)]
    public string $name;

    /** @param int|null $keepsYears see School */
    public function __construct(
        string $name,
        #[Assert\Timezone(message: 'field.invalid')]
        public string $zone,
        #[Assert\Range(min: 1, max: Limits::KEPT_YEARS, notInRangeMessage: 'field.number')]
        public ?int $keepsYears,
    ) {
        $this->name = trim(Fields::cleaned($name));
    }
}
