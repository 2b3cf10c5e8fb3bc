<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

/** The canvases used last: a scene's own segments and its two transitions show the same picture. */
final class Canvases
{
    private const MOST = 8;

    /** @var array<string, Canvas> the one used last stands last */
    private array $kept = [];

    public function of(string $jpeg, int $width, int $height, float $closest): Canvas
    {
        $key = implode('|', [$jpeg, $width, $height, round($closest, 6)]);
        $canvas = $this->kept[$key] ?? Canvas::ofPicture($jpeg, $width, $height, $closest);
        unset($this->kept[$key]);
        $this->kept = \array_slice($this->kept, 1 - self::MOST) + [$key => $canvas];

        return $canvas;
    }
}
