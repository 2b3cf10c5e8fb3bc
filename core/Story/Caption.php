<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story;

use Rhapsode\Core\Shape\Fields;

/** Words on the picture. */
final readonly class Caption
{
    public const MAX = 300;

    public function __construct(public string $text = '', public CaptionPlace $place = CaptionPlace::Bottom) {}

    public static function read(Fields $in): self
    {
        return new self($in->text('text', self::MAX, ''), $in->choice('place', CaptionPlace::class, CaptionPlace::Bottom));
    }

    /** @return array{text: string, place: string} */
    public function toArray(): array
    {
        return ['text' => $this->text, 'place' => $this->place->value];
    }
}
