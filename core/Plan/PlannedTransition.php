<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Words\Direction;
use Rhapsode\Core\Words\Legibility;
use Rhapsode\Core\Words\Scheme;

/**
 * How a slide gives way to the next, over $frames frames. At frame n of it its progress p is n / frames, and
 * - a crossfade shows the next with a weight of p;
 * - one through a colour (#RRGGBB) shows the colour over the one with a weight of 2p in its first half, then the next
 *   over the colour with 2p - 1;
 * - one toward an edge shows the next with a weight of clamp((p (1 + soft) - d) / soft) at a share d of the way to
 *   that edge: the soft edge is `soft` of the picture wide.
 */
final readonly class PlannedTransition
{
    public const SOFT = 0.35;

    /** @param 'right'|'left'|'top'|null $toward */
    private function __construct(
        public TransitionKind $kind,
        public int $frames,
        public ?string $colour = null,
        public ?string $toward = null,
    ) {}

    public static function of(TransitionKind $kind, int $frames, string $language = 'en', string $light = Scheme::PAPER): self
    {
        return 0 === $frames ? new self(TransitionKind::Cut, 0) : new self(
            $kind,
            $frames,
            match ($kind) {
                TransitionKind::ThroughDark => Legibility::DARK,
                TransitionKind::ThroughLight => $light,
                default => null,
            },
            match ($kind) {
                TransitionKind::Sweep => Direction::isRightToLeft($language) ? 'left' : 'right',
                TransitionKind::Rise => 'top',
                default => null,
            },
        );
    }

    /**
     * How much of the colour lies over the one slide, and of the next over both, at a point of the picture.
     *
     * @param float $p how far the join is, 0 to 1
     * @param float $x share of the width from the left
     * @param float $y share of the height from the top
     *
     * @return array{float, float} each 0 to 1
     */
    public function weights(float $p, float $x, float $y): array
    {
        $clamp = static fn(float $weight): float => max(0.0, min(1.0, $weight));
        if (null !== $this->colour) {
            return [$clamp(2 * $p), $clamp(2 * $p - 1)];
        }
        $way = match ($this->toward) {
            'right' => $x,
            'left' => 1 - $x,
            'top' => 1 - $y,
            default => null,
        };

        return [0.0, null === $way ? $clamp($p) : $clamp(($p * (1 + self::SOFT) - $way) / self::SOFT)];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'frames' => $this->frames,
            'colour' => $this->colour,
            'toward' => $this->toward,
            'soft' => self::SOFT,
        ];
    }
}
