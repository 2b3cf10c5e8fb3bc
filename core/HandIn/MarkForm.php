<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

/** What somebody draws on a film's picture beside a remark. */
enum MarkForm: string
{
    /** About something: as large as the box between its two corners. */
    case Ring = 'ring';
    /** To something: from its end to its tip. */
    case Arrow = 'arrow';
}
