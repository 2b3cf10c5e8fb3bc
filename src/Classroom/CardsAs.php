<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Rhapsode\Core\Classroom\CardKind;

final readonly class CardsAs
{
    public function __construct(public CardKind $kind) {}
}
