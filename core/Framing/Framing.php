<?php

declare(strict_types=1);

namespace Rhapsode\Core\Framing;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Frame;

/** What part of a picture is seen, and how that changes; the two frames count where the motion is set. */
final readonly class Framing
{
    public function __construct(public Motion $motion = Motion::Auto, public ?Frame $opensOn = null, public ?Frame $closesOn = null) {}

    public static function read(Fields $in): self
    {
        $framing = new self(
            $in->choice('motion', Motion::class, Motion::Auto),
            $in->has('opensOn') ? Frame::read($in->object('opensOn')) : null,
            $in->has('closesOn') ? Frame::read($in->object('closesOn')) : null,
        );
        if (Motion::Set === $framing->motion && (null === $framing->opensOn || null === $framing->closesOn)) {
            throw new Malformed('document.move-needs-both');
        }

        return $framing;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['motion' => $this->motion->value, 'opensOn' => $this->opensOn?->toArray(), 'closesOn' => $this->closesOn?->toArray()];
    }
}
