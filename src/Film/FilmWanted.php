<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\Studio\Render\Container;
use Rhapsode\Studio\Render\FilmFormat;
use Symfony\Component\Validator\Constraints\Choice;

final readonly class FilmWanted
{
    public function __construct(
        #[Choice(FilmFormat::SIZES, message: 'must be one of {{ choices }}')]
        public string $size = '720',
        public Container $container = Container::Mp4,
    ) {}
}
