<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** The two faces that words are set in. */
enum Face: string
{
    /** Headings: made for reading. */
    case Reading = 'reading';
    /** Captions and credits: made for weak eyes. */
    case Plain = 'plain';
}
