<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn;

use Rhapsode\App\Shared\Body\Identifier;
use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints\GreaterThan;
use Symfony\Component\Validator\Constraints\PositiveOrZero;

final readonly class NewRemark
{
    #[Text(most: Limits::REMARK)]
    public string $text;

    /** @param array<string, mixed>|null $mark as the core's Mark */
    public function __construct(
        #[PositiveOrZero(message: 'field.moment')]
        public float $seconds,
        string $text = '',
        #[GreaterThan(propertyPath: 'seconds', message: 'field.moment')]
        public ?float $until = null,
        public ?array $mark = null,
        /** What was spoken of it, once it is ready. */
        #[Identifier]
        public ?string $spoken = null,
    ) {
        $this->text = trim(Fields::cleaned($text));
    }
}
