<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;

/** The captions of a file become scripts: each slide's is what is shown while it is seen. Then captions are made from the scripts. */
final readonly class ScriptsFromCaptions implements Edit
{
    public function apply(Story $story): Story
    {
        if (null === $story->captions) {
            throw new Refused('edit.no-captions');
        }
        $scripts = [];
        foreach (Pacing::of($story) as $timed) {
            $scripts[$timed->slide->id] = [];
            foreach ($story->captions as $caption) {
                $frame = intdiv(($caption->start + $caption->end) * Rate::FPS, 2000);
                if ($frame >= $timed->start && $frame < $timed->start + $timed->stay) {
                    $scripts[$timed->slide->id][] = trim((string) preg_replace('/\s+/u', ' ', $caption->text));
                }
            }
        }
        foreach (array_filter($scripts) as $slide => $texts) {
            $script = mb_substr(implode(' ', $texts), 0, Limits::SCRIPT);
            $story = (new SetScript((string) $slide, $script))->apply($story);
        }

        return $story->with(captions: null);
    }
}
