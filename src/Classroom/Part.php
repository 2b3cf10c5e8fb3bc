<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

/** What a teacher does in a class: all of it, or seeing and answering what is handed in. */
enum Part: string
{
    case Lead = 'lead';
    case Helper = 'helper';
}
