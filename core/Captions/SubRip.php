<?php

declare(strict_types=1);

namespace Rhapsode\Core\Captions;

/** Writes cues as SubRip: numbered, with a comma before the thousandths (common practice: it has no standard). */
final class SubRip
{
    /** @param list<Cue> $cues */
    public static function write(array $cues): string
    {
        $out = '';
        foreach ($cues as $i => $cue) {
            $time = static fn(int $milliseconds): string => str_replace('.', ',', WebVtt::time($milliseconds));
            // An empty line would end the caption.
            $out .= \sprintf(
                "%d\n%s --> %s\n%s\n\n",
                $i + 1,
                $time($cue->start),
                $time($cue->end),
                trim((string) preg_replace('/\n{2,}/', "\n", $cue->text)),
            );
        }

        return $out;
    }
}
