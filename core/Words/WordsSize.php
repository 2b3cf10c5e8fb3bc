<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

/** How large words are, where it is told. The smallest is 14 pixels in a film of 360 lines: as small as is read from a sofa (common practice). */
enum WordsSize: string
{
    case Smallest = 'smallest';
    case Small = 'small';
    case Medium = 'medium';
    case Large = 'large';
    case Largest = 'largest';

    /** @return int pixels of a frame whose shorter side has 720 */
    public function pixels(): int
    {
        return match ($this) {
            self::Smallest => 28,
            self::Small => 34,
            self::Medium => 42,
            self::Large => 54,
            self::Largest => 72,
        };
    }

    /** @return non-empty-list<int> it, and the smaller ones that words are brought to which find no room at it */
    public function andSmaller(): array
    {
        $sizes = array_map(static fn(self $size): int => $size->pixels(), self::cases());

        return array_values(array_filter(array_reverse($sizes), fn(int $size): bool => $size <= $this->pixels())) ?: [$this->pixels()];
    }
}
