<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pointing;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/**
 * A pointer that was moved while somebody spoke, from when it came to when it went: where it was at some milliseconds of the
 * recording, evenly on its way between. Places are shares of the width and height of the picture it was moved over, as that is
 * shown; of the slide where it was over none.
 */
final readonly class Stroke
{
    /**
     * @param string|null                           $over   the asset that is the picture
     * @param non-empty-list<array{int, float, float}> $points milliseconds, across and down, in order
     */
    public function __construct(public PointerForm $form, public ?string $over, public array $points) {}

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        $points = $in->moments('points');

        return [] === $points
            ? throw new Malformed('document.no-points')
            : new self($in->choice('form', PointerForm::class), $in->idOrNull('over'), $points);
    }

    /** Milliseconds at which it comes. */
    public function from(): int
    {
        return $this->points[0][0];
    }

    /** Milliseconds at which it goes. */
    public function to(): int
    {
        return $this->points[\count($this->points) - 1][0];
    }

    /** @return array{float, float} across and down */
    public function at(float $millisecond): array
    {
        $before = $this->points[0];
        foreach ($this->points as $point) {
            if ($point[0] >= $millisecond) {
                $share = $point[0] === $before[0] ? 0.0 : max(0.0, $millisecond - $before[0]) / ($point[0] - $before[0]);

                return [$before[1] + ($point[1] - $before[1]) * $share, $before[2] + ($point[2] - $before[2]) * $share];
            }
            $before = $point;
        }

        return [$before[1], $before[2]];
    }

    /** What of it lies between two milliseconds; null where nothing does. */
    public function between(float $from, float $to): ?self
    {
        [$first, $last] = [(int) ceil(max($from, $this->from())), (int) floor(min($to, $this->to()))];
        if ($first > $last) {
            return null;
        }
        $inside = array_values(array_filter($this->points, static fn(array $point): bool => $point[0] > $first && $point[0] < $last));
        $end = function (int $at): array {
            [$x, $y] = $this->at($at);

            return [$at, round($x, 4), round($y, 4)];
        };

        return new self($this->form, $this->over, [
            $end($first), ...$inside, ...$first === $last ? [] : [$end($last)],
        ]);
    }

    /** The same so many milliseconds later. */
    public function later(int $by): self
    {
        return new self($this->form, $this->over, array_map(static fn(array $point): array => [$point[0] + $by, $point[1], $point[2]], $this->points));
    }

    /** The same where each point comes at a share of its time. */
    public function paced(float $share): self
    {
        return new self($this->form, $this->over, array_map(
            static fn(array $point): array => [(int) round($point[0] * $share), $point[1], $point[2]],
            $this->points,
        ));
    }

    /**
     * The same over a picture that goes by another id.
     *
     * @param array<string, string> $ids the new id of each
     */
    public function renamed(array $ids): self
    {
        return new self($this->form, null === $this->over ? null : $ids[$this->over] ?? $this->over, $this->points);
    }

    public function looking(PointerForm $form): self
    {
        return new self($form, $this->over, $this->points);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['form' => $this->form->value, ...null === $this->over ? [] : ['over' => $this->over], 'points' => $this->points];
    }
}
