<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Shared\Body\Identifier;
use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints\All;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\PositiveOrZero;

final readonly class NewAsset
{
    #[Text(most: Limits::FILE)]
    public string $file;

    /**
     * @param list<string>              $after  slides, the nearest first
     * @param array<string, mixed>|null $around what a voice is spoken for, where that is a part of what its slide speaks
     */
    public function __construct(
        public Arriving $kind,
        string $file = 'recording',
        #[PositiveOrZero(message: 'field.bytes')]
        public ?int $bytes = null,
        #[Identifier]
        public ?string $slide = null,
        #[Count(max: Limits::SLIDES, maxMessage: 'are too many')]
        #[All(new Identifier())]
        public array $after = [],
        public bool $beside = false,
        #[Identifier]
        public ?string $layer = null,
        public ?array $around = null,
    ) {
        $this->file = Fields::cleaned($file);
    }
}
