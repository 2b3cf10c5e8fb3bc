<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Words;

use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Words\Direction;
use Rhapsode\Core\Words\Line;
use Rhapsode\Core\Words\TextBlock;

/**
 * Words that are written line by line. Each line has a band of the slide, in which it is seen from where its language begins to a
 * soft edge that goes on. With $written as the share of all that is written, a band that is written from $from to $to has the share
 * q = clamp((written - from) / (to - from)), and shows its words at a share d of its width with a weight of
 * clamp((q (1 + SOFT) - d) / SOFT).
 */
final readonly class Reveal
{
    public const SOFT = 0.08;
    /** Letters a second: as fast as a quick hand that one can follow (common practice). */
    private const LETTERS = 28;
    private const LEAST = 0.6;
    private const MOST = 4.0;

    /** @param list<Band> $bands from top to bottom */
    private function __construct(public array $bands, public Envelope $written) {}

    public static function of(TextBlock $block, Envelope $written): self
    {
        $all = $block->covers();
        $lines = array_values(array_filter($block->lines, static fn(Line $line): bool => '' !== trim($line->text)));
        $long = max(1.0, array_sum(array_map(static fn(Line $line): float => $line->width, $lines)));
        $bands = [];
        [$top, $done] = [$all->y, 0.0];
        foreach ($lines as $i => $line) {
            $next = $lines[$i + 1] ?? null;
            // Between two lines, in the middle of what parts them.
            $bottom = null === $next
                ? $all->y + $all->height
                : max($top + 1e-6, min($all->y + $all->height - 1e-6, ($line->bottom() + $next->y) / 2 / $block->height));
            $bands[] = new Band(
                new Frame($all->x, $top, $all->width, $bottom - $top),
                Direction::isTextLeftward($line->text),
                $done / $long,
                ($done + $line->width) / $long,
            );
            [$top, $done] = [$bottom, $done + $line->width];
        }

        return new self($bands, $written);
    }

    /** @return float seconds that it takes to write a text */
    public static function seconds(TextBlock $block): float
    {
        $letters = array_sum(array_map(static fn(Line $line): int => mb_strlen($line->text), $block->lines));

        return max(self::LEAST, min(self::MOST, $letters / self::LETTERS));
    }

    /** How far a point of the slide is seen, 0 to 1. @param float $written share of all */
    public function weight(float $written, float $x, float $y): float
    {
        foreach ($this->bands as $band) {
            if ($y >= $band->box->y && $y < $band->box->y + $band->box->height) {
                return $band->weight($written, $x);
            }
        }

        return 0.0;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'soft' => self::SOFT,
            'written' => $this->written->toArray(),
            'bands' => array_map(static fn(Band $band): array => $band->toArray(), $this->bands),
        ];
    }
}
