<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Frame;

/** The faces in a picture, as a small net in a process of its own finds them (FaceNet). $turn is by how many degrees clockwise they come upright. */
final readonly class Faces
{
    /** @param list<Frame> $all the largest first; none where the picture would have to be turned to show them */
    private function __construct(public array $all = [], public int $turn = 0) {}

    /** @param string $pixels red, green and blue of one after the other */
    public static function in(string $pixels, int $width, int $height): self
    {
        $answer = FaceNet::ask($pixels, $width, $height);
        if (null === $answer) {
            // A picture whose faces are not known is framed by what stands out: it is no reason to refuse it.
            return new self();
        }
        /** @var array{faces: list<array{x: float, y: float, width: float, height: float}>, quarters: int} $found */
        $found = json_decode($answer, true, 8, \JSON_THROW_ON_ERROR);
        $faces = [];
        foreach ($found['faces'] as $face) {
            $left = max(0.0, $face['x']);
            $top = max(0.0, $face['y']);
            [$wide, $high] = [min(1.0, $face['x'] + $face['width']) - $left, min(1.0, $face['y'] + $face['height']) - $top];
            if ($wide >= Limits::LEAST_PART && $high >= Limits::LEAST_PART) {
                $faces[] = (new Frame($left, $top, $wide, $high))->rounded();
            }
        }
        usort($faces, static fn(Frame $a, Frame $b): int => $b->width * $b->height <=> $a->width * $a->height);

        return new self(\array_slice($faces, 0, Limits::FACES), 90 * $found['quarters']);
    }
}
