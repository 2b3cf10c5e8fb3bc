<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Geometry\Frame;

/** From one framing to another; still when both are the same. */
final readonly class Move
{
    public function __construct(public Frame $opensOn, public Frame $closesOn) {}

    public static function still(Frame $frame): self
    {
        return new self($frame, $frame);
    }

    public function isStill(): bool
    {
        return $this->opensOn->equals($this->closesOn);
    }

    /** The frame at a moment $t of the whole move, 0 to 1, eased at both ends. */
    public function at(float $t): Frame
    {
        return $this->opensOn->toward($this->closesOn, Ease::at($t));
    }

    /** @return array{opensOn: array<string, float>, closesOn: array<string, float>} */
    public function toArray(): array
    {
        return ['opensOn' => $this->opensOn->toArray(), 'closesOn' => $this->closesOn->toArray()];
    }
}
