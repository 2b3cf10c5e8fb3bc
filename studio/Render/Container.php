<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

/** The two kinds of file a film is written as. */
enum Container: string
{
    /** H.264 and AAC: plays everywhere. */
    case Mp4 = 'mp4';
    /** VP9 and Opus: free formats, smaller. */
    case Webm = 'webm';

    public function type(): string
    {
        return 'video/' . $this->value;
    }
}
