<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\Studio\Render\Container;
use Rhapsode\Studio\Render\FilmFormat;
use Symfony\Component\Validator\Constraints\Choice;

final readonly class FilmWanted
{
    public function __construct(
        #[Choice(FilmFormat::SIZES, message: 'field.choice')]
        public string $size = '720',
        public Container $container = Container::Mp4,
    ) {}
}
