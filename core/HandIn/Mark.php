<?php

declare(strict_types=1);

namespace Rhapsode\Core\HandIn;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;

/** A ring or an arrow on the picture of a film, beside what is said of it. Places are shares of the picture's width and height, 0 to 1. */
final readonly class Mark
{
    private const DIGITS = 4;

    private function __construct(public MarkForm $form, public float $x, public float $y, public float $toX, public float $toY) {}

    /** @throws Malformed where it is out of the picture, or too small to be seen */
    public static function read(Fields $in): self
    {
        $place = static fn(string $key): float => round($in->number($key, 0.0, 1.0), self::DIGITS);
        $mark = new self($in->choice('form', MarkForm::class), $place('x'), $place('y'), $place('toX'), $place('toY'));
        if (round(max(abs($mark->toX - $mark->x), abs($mark->toY - $mark->y)), self::DIGITS) < Limits::LEAST_MARK) {
            throw new Malformed('mark.too-small');
        }

        // A ring is the same from whichever of its corners it was drawn.
        return MarkForm::Arrow === $mark->form ? $mark : new self(
            MarkForm::Ring,
            min($mark->x, $mark->toX),
            min($mark->y, $mark->toY),
            max($mark->x, $mark->toX),
            max($mark->y, $mark->toY),
        );
    }

    /** @return array{form: string, x: float, y: float, toX: float, toY: float} */
    public function toArray(): array
    {
        return ['form' => $this->form->value, 'x' => $this->x, 'y' => $this->y, 'toX' => $this->toX, 'toY' => $this->toY];
    }
}
