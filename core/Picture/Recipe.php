<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Document\Fields;

/** What is done to a picture before it is shown. The original is never changed. $turn is degrees clockwise: 0, 90, 180 or 270. */
final readonly class Recipe
{
    public function __construct(public int $turn = 0) {}

    public static function read(Fields $in): self
    {
        return new self(90 * $in->quarters('turn', 0));
    }

    /** Names what is done, for the files that come of it; empty where nothing is. */
    public function key(): string
    {
        return 0 === $this->turn ? '' : 't' . $this->turn;
    }

    public static function ofKey(string $key): self
    {
        return new self('' === $key ? 0 : (int) substr($key, 1));
    }

    public function isPlain(): bool
    {
        return 0 === $this->turn;
    }

    /** Width over height of the picture when that is done. */
    public function ratio(Picture $picture): float
    {
        return 0 === $this->turn % 180 ? $picture->width / $picture->height : $picture->height / $picture->width;
    }

    /** Its width in pixels when that is done. */
    public function width(Picture $picture): int
    {
        return 0 === $this->turn % 180 ? $picture->width : $picture->height;
    }

    /** @return array{turn: int} */
    public function toArray(): array
    {
        return ['turn' => $this->turn];
    }
}
