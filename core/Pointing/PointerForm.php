<?php

declare(strict_types=1);

namespace Rhapsode\Core\Pointing;

use Rhapsode\Core\Geometry\Shape;

/** What a pointer looks like. It is drawn so that it is seen on light and dark. */
enum PointerForm: string
{
    case Ring = 'ring';
    /** Its tip is at the point. */
    case Arrow = 'arrow';
    /** All but what is about the point is darker. */
    case Light = 'light';

    /** Pixels of a film whose shorter side has 720: of a drawing's ground, and of what light leaves clear. */
    private const GROUND = 160;
    private const CLEAR = 120;
    private const EDGE = 90;
    /** An arrow whose tip is in the middle of its ground. */
    private const TIP = 'M80 80L134 96.5L116.75 106.25L144.5 134L134 144.5L106.25 116.75L96.5 134Z';
    /** How much darker it is elsewhere, 0 to 1. */
    private const DARK = 0.55;
    private const COLOUR = '#FFD54A';
    private const ABOUT = '#1B1F27';

    /** @return array{int, int} width and height of the drawing's ground, pixels of a film whose shorter side has 720: the point is in its middle */
    public function ground(Shape $shape): array
    {
        // Wherever the light is, all of the slide is covered.
        return self::Light === $this ? array_map(static fn(int $side): int => 2 * $side, $shape->pixels(720)) : [self::GROUND, self::GROUND];
    }

    /** @return array<string, array{drawing: string, width: float, height: float}> each as SVG, and what it takes of a slide's width and height */
    public static function drawn(Shape $shape): array
    {
        [$width, $height] = $shape->pixels(720);
        $drawn = [];
        foreach (self::cases() as $form) {
            $ground = $form->ground($shape);
            $drawn[$form->value] = [
                'drawing' => $form->svg($shape), 'width' => round($ground[0] / $width, 6), 'height' => round($ground[1] / $height, 6),
            ];
        }

        return $drawn;
    }

    public function svg(Shape $shape): string
    {
        [$width, $height] = $this->ground($shape);
        $middle = "cx='" . $width / 2 . "' cy='" . $height / 2 . "'";
        $radius = self::CLEAR + self::EDGE;
        $drawn = match ($this) {
            self::Ring => "<g fill='none'><circle {$middle} r='38' stroke='" . self::ABOUT . "' stroke-opacity='.75' stroke-width='12'/>"
                . "<circle {$middle} r='38' stroke='" . self::COLOUR . "' stroke-width='7'/></g>",
            self::Arrow => "<path d='" . self::TIP . "' fill='" . self::COLOUR . "' stroke='" . self::ABOUT
                . "' stroke-opacity='.75' stroke-width='3' stroke-linejoin='round'/>",
            self::Light => "<defs><radialGradient id='l' gradientUnits='userSpaceOnUse' {$middle} r='{$radius}'>"
                . "<stop offset='" . round(self::CLEAR / $radius, 3) . "' stop-opacity='0'/><stop offset='1' stop-opacity='" . self::DARK . "'/>"
                . "</radialGradient></defs><rect width='{$width}' height='{$height}' fill='url(#l)'/>",
        };

        return "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 {$width} {$height}' width='{$width}' height='{$height}'>{$drawn}</svg>";
    }
}
