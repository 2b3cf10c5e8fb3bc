<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Asset\Source;

/**
 * A clip made ready in a folder: at the film's rate, upright, in the colours of video (Rec. 709), without metadata. One of its frames
 * stands for it, and is made ready as any picture is (PreparedPicture); its sound as music is (MeasuredMusic).
 */
final readonly class PreparedClip
{
    /** As the film takes its frames. */
    public const FULL = 'clip.mp4';
    /** As the page shows them: small, and every frame by itself, so that any is there at once. */
    public const LIGHT = 'light.mp4';
    /** Small frames of all of it, row by row, as many frames apart as Clip::every() tells. */
    public const STRIP = 'strip.jpg';
    public const ORIGINAL = 'original';

    public function __construct(
        public PreparedPicture $poster,
        public Clip $clip,
        public string $original = '',
        public Source $source = new Source(),
        public string $description = '',
    ) {}
}
