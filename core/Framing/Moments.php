<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

/** When what is tied to a slide's words happens. Seconds are counted from the frame at which it begins to be seen. */
interface Moments
{
    public function of(Stop $stop): float;

    /** As that word of the script is said, counted from 0 on; one that is no longer there is the last. */
    public function ofWord(int $word): float;

    /** Where its own clock begins: with the voice, or when it is there. */
    public function begins(): float;

    /**
     * When a text is said that is a part of the script.
     *
     * @return list<float> for each word of the text; empty where the script does not hold it
     */
    public function ofText(string $text): array;
}
