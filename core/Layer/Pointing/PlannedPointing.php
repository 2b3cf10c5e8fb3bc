<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Pointing;

use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedKind;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Pointing\PointerForm;

/**
 * A pointer on its way over a slide: at each frame of the scene it is at $x and $y, which are shares of a picture where it was moved
 * over one, and then it stays with that while it moves; else of the slide.
 */
final readonly class PlannedPointing implements PlannedLayer
{
    /** Frames over which it comes, and goes. */
    public const SOFT = 6;

    /**
     * @param int        $comes  frame at which it begins to be seen
     * @param int        $goes   frame from which it is not seen any more
     * @param Move|null  $move   of the picture; null where it is over none
     * @param Frame|null $box    what that takes of the slide; null for all
     */
    public function __construct(
        private string $id,
        public PointerForm $form,
        private Shape $shape,
        public int $comes,
        public int $goes,
        public Envelope $x,
        public Envelope $y,
        public ?Move $move = null,
        public ?Frame $box = null,
    ) {}

    public function id(): string
    {
        return $this->id;
    }

    public function kind(): PlannedKind
    {
        return PlannedKind::Pointing;
    }

    /** Where it is on the slide; at its edge where the picture has moved away. @param float $t of the picture's whole move, 0 to 1 */
    public function at(int $frame, float $t): Point
    {
        $point = new Point($this->x->at($frame), $this->y->at($frame));
        $seen = null === $this->move ? $point : $point->seenIn($this->move->at($t));

        return (null === $this->box ? $seen : $seen->of($this->box))->heldIn($this->box ?? Frame::all());
    }

    public function hash(): string
    {
        return substr(hash('sha256', json_encode([
            $this->form->svg($this->shape), $this->move?->toArray(), $this->box?->toArray(),
        ], \JSON_THROW_ON_ERROR)), 0, 24);
    }

    public function isStill(): bool
    {
        return $this->move?->isStill() ?? true;
    }

    public function opacity(): Envelope
    {
        $soft = min(self::SOFT, intdiv($this->goes - $this->comes, 2));

        return new Envelope([[$this->comes, 0.0], [$this->comes + $soft, 1.0], [$this->goes - $soft, 1.0], [$this->goes, 0.0]]);
    }

    public function seen(int $frame): float
    {
        // A slide is not shown by where somebody pointed on it.
        return 0.0;
    }

    public function envelopes(): array
    {
        return [$this->opacity(), $this->x, $this->y];
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind()->value,
            'form' => $this->form->value,
            'x' => $this->x->toArray(),
            'y' => $this->y->toArray(),
            'opacity' => $this->opacity()->toArray(),
            ...null === $this->move ? [] : ['path' => $this->move->toArray()],
            ...null === $this->box ? [] : ['box' => $this->box->toArray()],
        ];
    }
}
