<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\News;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ReadTold
{
    private const MOST = 2000;

    /** @param list<string> $read what a hand-in has told as unread */
    public function __construct(
        #[Assert\Count(max: self::MOST, maxMessage: 'field.invalid')]
        #[Assert\All([new Assert\Type('string', message: 'field.text'), new Assert\Length(max: 64, maxMessage: 'field.invalid')])]
        public array $read,
    ) {}
}
