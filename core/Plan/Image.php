<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

/** What a slide shows: a picture of the story, prepared full or whole on its ground; or no picture, a plain colour. */
final readonly class Image
{
    public const FULL = 'full';
    public const WHOLE = 'whole';

    private function __construct(public ?string $picture, public string $rendition, public string $colour) {}

    public static function full(string $picture): self
    {
        return new self($picture, self::FULL, '#000000');
    }

    public static function whole(string $picture): self
    {
        return new self($picture, self::WHOLE, '#000000');
    }

    public static function plain(string $colour): self
    {
        return new self(null, self::FULL, $colour);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['picture' => $this->picture, 'rendition' => $this->rendition, 'colour' => $this->colour];
    }
}
