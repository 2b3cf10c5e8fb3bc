<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer\Icon;

use Rhapsode\Core\Words\Contrast;
use Rhapsode\Core\Words\Scheme;

/** The colours of a style, in which a drawing is shown instead of its own: what is dark in it, what is between, and what is light. */
final readonly class Tint
{
    /** @param string $dark #rrggbb, as are the others */
    public function __construct(public string $dark, public string $mid, public string $light) {}

    public static function of(Scheme $scheme): self
    {
        return Contrast::luminance($scheme->ink) < Contrast::luminance($scheme->ground)
            ? new self($scheme->ink, $scheme->accent, $scheme->ground)
            : new self($scheme->ground, $scheme->accent, $scheme->ink);
    }

    /** @param string $svg whose colours are told as #rgb or #rrggbb, in attributes; what tells none is black */
    public function on(string $svg): string
    {
        $tinted = (string) preg_replace_callback(
            '/(fill|stroke|stop-color)="#([0-9a-f]{3}|[0-9a-f]{6})"/i',
            fn(array $found): string => "{$found[1]}=\"{$this->tinted($found[2])}\"",
            $svg,
        );

        return (string) preg_replace('/<svg /', "<svg fill=\"{$this->dark}\" ", $tinted, 1);
    }

    private function tinted(string $hex): string
    {
        $full = 3 === \strlen($hex) ? (string) preg_replace('/./', '$0$0', $hex) : $hex;
        $light = Contrast::component(Contrast::luminance("#{$full}"));

        return $light < 0.5 ? self::mixed($this->dark, $this->mid, 2 * $light) : self::mixed($this->mid, $this->light, 2 * $light - 1);
    }

    private static function mixed(string $from, string $to, float $share): string
    {
        $part = static fn(int $at): string => \sprintf(
            '%02x',
            (int) round((1 - $share) * hexdec(substr($from, $at, 2)) + $share * hexdec(substr($to, $at, 2))),
        );

        return '#' . $part(1) . $part(3) . $part(5);
    }

    /** @return array{dark: string, mid: string, light: string} */
    public function toArray(): array
    {
        return ['dark' => strtolower($this->dark), 'mid' => strtolower($this->mid), 'light' => strtolower($this->light)];
    }
}
