<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Drift;

/** What of weather and light passes over a slide. */
enum DriftKind: string
{
    case Rain = 'rain';
    case Snow = 'snow';
    case Mist = 'mist';
    /** Dust in a light that comes from the side. */
    case Motes = 'motes';

    /** However strong it is, something is seen through it. */
    private const MOST_COVER = 0.9;

    public function usualWay(): Way
    {
        return match ($this) {
            self::Rain => Way::DownLeft,
            self::Snow => Way::Down,
            self::Mist => Way::Right,
            self::Motes => Way::UpRight,
        };
    }

    /** Of all of it, #rrggbb. */
    public function colour(): string
    {
        return match ($this) {
            self::Rain => '#dfe8ee',
            self::Snow => '#ffffff',
            self::Mist => '#e8ebea',
            self::Motes => '#ffe9b8',
        };
    }

    /** How much of what lies under it is covered where it is thickest, 0 to 1: of what is far, and of what is near. */
    public function cover(Strength $strength, Depth $depth): float
    {
        $usual = match ($this) {
            self::Rain => $depth->of(0.36, 0.5),
            self::Snow => $depth->of(0.66, 0.86),
            self::Mist => $depth->of(0.62, 0.6),
            self::Motes => $depth->of(0.8, 0.62),
        };

        return round(min(self::MOST_COVER, $usual * $strength->covers()), 3);
    }

    /** How far it comes in a second, a share of the slide's height: what is near passes faster. */
    public function speed(Depth $depth): float
    {
        return match ($this) {
            self::Rain => $depth->of(0.9, 1.35),
            self::Snow => $depth->of(0.055, 0.095),
            self::Mist => $depth->of(0.018, 0.03),
            self::Motes => $depth->of(0.022, 0.036),
        };
    }

    /** Degrees by which what is far goes another way than what is near: nothing that floats goes quite the same way. */
    public function apart(): float
    {
        return match ($this) {
            self::Rain => 0.0,
            self::Snow => 14.0,
            self::Mist => 0.0,
            self::Motes => 24.0,
        };
    }
}
