<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Frame;

/** The part of a slide that one written line has, and between which shares of all that is written it is. */
final readonly class Band
{
    /** @param bool $isLeftward whether it is written from right to left */
    public function __construct(public Frame $box, public bool $isLeftward, public float $from, public float $to) {}

    /** @return float how much of it is written, 0 to 1 */
    public function share(float $written): float
    {
        return max(0.0, min(1.0, ($written - $this->from) / max(1e-6, $this->to - $this->from)));
    }

    public function weight(float $written, float $x): float
    {
        $way = ($x - $this->box->x) / $this->box->width;
        $way = $this->isLeftward ? 1 - $way : $way;

        return max(0.0, min(1.0, ($this->share($written) * (1 + Reveal::SOFT) - $way) / Reveal::SOFT));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'box' => $this->box->toArray(), 'leftward' => $this->isLeftward, 'from' => round($this->from, 6), 'to' => round($this->to, 6),
        ];
    }
}
