<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

/** The icons there are, each as one closed path on a ground of 24 by 24. */
enum IconName: string
{
    case Star = 'star';
    case Heart = 'heart';
    case Arrow = 'arrow';
    case Pin = 'pin';
    case Drop = 'drop';
    case Tick = 'tick';

    /** SVG path data. */
    public function path(): string
    {
        return match ($this) {
            self::Star => 'M12 2L15.1 8.6L22.3 9.5L17 14.4L18.4 21.5L12 18L5.6 21.5L7 14.4L1.7 9.5L8.9 8.6Z',
            self::Heart => 'M12 21C5 15 2 11.5 2 7.8C2 4.8 4.3 3 6.8 3C8.9 3 10.8 4.2 12 6.2C13.2 4.2 15.1 3 17.2 3C19.7 3 22 4.8 22 7.8C22 11.5 19 15 12 21Z',
            self::Arrow => 'M2 9.5H13V4L22 12L13 20V14.5H2Z',
            self::Pin => 'M12 23C7 16.5 4.5 12.8 4.5 9A7.5 7.5 0 0 1 19.5 9C19.5 12.8 17 16.5 12 23ZM12 6A3 3 0 0 0 12 12A3 3 0 0 0 12 6Z',
            self::Drop => 'M12 1.5C16.5 7.5 19 11.5 19 15A7 7 0 0 1 5 15C5 11.5 7.5 7.5 12 1.5Z',
            self::Tick => 'M2 12.5L5.5 9L9.5 13L18.500 4L22 7.500L9.500 20Z',
        };
    }
}
