<?php

declare(strict_types=1);

namespace Rhapsode\Core\Film;

/** What the file of a film was found to hold when it was played from its first frame to its last. */
final readonly class ReadBack
{
    /** Seconds that its sound may end before or after its picture: two frames of an audio codec, in which every encoder pads the end. */
    private const APART = 0.05;

    /**
     * @param int   $frames  that were seen
     * @param float $seconds that were heard
     * @param int   $cues    that its track of captions has
     */
    public function __construct(public int $frames, public float $seconds, public int $cues) {}

    /**
     * @param int   $frames  that the film is planned to have
     * @param float $seconds that these last
     * @param int   $cues    that it is planned to have
     *
     * @return list<PlayProblem> nothing where it plays, picture and sound to the end, with all its captions
     */
    public function problems(int $frames, float $seconds, int $cues): array
    {
        $isWrong = fn(PlayProblem $one): bool => match ($one) {
            PlayProblem::Unreadable => false,
            PlayProblem::Picture => $this->frames !== $frames,
            PlayProblem::Sound => abs($this->seconds - $seconds) > self::APART,
            PlayProblem::Captions => $this->cues !== $cues,
        };

        return array_values(array_filter(PlayProblem::cases(), $isWrong));
    }
}
