<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

/** What there is to perform. Each has a painter in studio/Render and a performer in web/stage. */
enum PlannedKind: string
{
    case Picture = 'picture';
    /** The picture on the ground of the story's style. */
    case Backdrop = 'backdrop';
    case Words = 'words';
    case Icon = 'icon';
    /** From words to a point of a picture. */
    case Pointer = 'pointer';
    /** What somebody pointed with while they spoke. */
    case Pointing = 'pointing';
    /** About a picture in a cell: its corners, and a line. */
    case Mat = 'mat';
    /** Weather or light that passes over pictures. */
    case Drift = 'drift';
    /** Words taller than the slide that pass over it. */
    case Roll = 'roll';
}
