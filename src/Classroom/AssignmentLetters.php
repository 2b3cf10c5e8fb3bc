<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\Core\Document\Limits;
use Symfony\Component\Validator\Constraints as Assert;

/** How many letters stand on a picture at most; null for as many as fit. */
final readonly class AssignmentLetters
{
    public function __construct(#[Assert\Range(min: Limits::LEAST_LETTERS, max: Limits::WORDS)] public ?int $letters) {}
}
