<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

/** What words on a slide are for; their size and place follow from it. */
enum WordsRole: string
{
    /** Of a title slide; with no text it is the story's own title. */
    case Title = 'title';
    case Subtitle = 'subtitle';
    /** A fact on a picture. */
    case Caption = 'caption';
}
