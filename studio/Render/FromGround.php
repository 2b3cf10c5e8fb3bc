<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

/** Frames that come out of a ground of one colour: each value of a plane is mixed with that of the ground, by a table. */
final readonly class FromGround
{
    private string $values;
    private int $luma;
    private int $chroma;
    /** @var list<int> of the ground, for each plane */
    private array $ground;

    /** @param string $colour #RRGGBB */
    public function __construct(string $colour, int $width, int $height)
    {
        $this->values = implode('', array_map(\chr(...), range(0, 255)));
        $this->luma = $width * $height;
        $this->chroma = intdiv($width, 2) * intdiv($height, 2);
        $plain = Canvas::plain($colour, 2, 2);
        $this->ground = [\ord($plain[0]), \ord($plain[4]), \ord($plain[5])];
    }

    /** @param string $frame planar yuv420p of that size @param float $opacity 0 to 1 */
    public function seen(string $frame, float $opacity): string
    {
        $mixed = '';
        $at = 0;
        foreach ([$this->luma, $this->chroma, $this->chroma] as $plane => $length) {
            $ground = $this->ground[$plane];
            $to = implode('', array_map(
                static fn(int $value): string => \chr((int) round($ground + ($value - $ground) * $opacity)),
                range(0, 255),
            ));
            $mixed .= strtr(substr($frame, $at, $length), $this->values, $to);
            $at += $length;
        }

        return $mixed;
    }
}
