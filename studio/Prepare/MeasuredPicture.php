<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Picture\Inspection;
use Rhapsode\Core\Picture\Salience;
use Rhapsode\Studio\Tool\ToolFailed;

/** What is measured of a picture once, on its small copy, as Picture has it: what matters in it, and what may be wrong with it. */
final readonly class MeasuredPicture
{
    public function __construct(public Matters $matters, public ?Frame $unbordered, public bool $isSoft, public int $sideways = 0) {}

    /**
     * @param string $thumb a small copy of a prepared picture
     *
     * @throws ToolFailed where it cannot be read
     */
    public static function of(string $thumb): self
    {
        $image = VipsImage::ofJpeg($thumb);
        [$width, $height, $pixels] = [$image->width(), $image->height(), $image->pixels()];
        $grey = $brightest = '';
        for ($i = 0, $end = \strlen($pixels) - 2; $i < $end; $i += 3) {
            [$red, $green, $blue] = [\ord($pixels[$i]), \ord($pixels[$i + 1]), \ord($pixels[$i + 2])];
            $grey .= \chr((2 * $red + 5 * $green + $blue) >> 3);
            $brightest .= \chr(max($red, $green, $blue));
        }
        $inspection = Inspection::of($grey, $width, $height, $brightest);

        $faces = Faces::in($pixels, $width, $height);

        return new self(
            new Matters($faces->all, ...Salience::of($grey, $width, $height)),
            $inspection->unbordered,
            $inspection->isSoft,
            $faces->turn,
        );
    }

    public static function read(Fields $in): self
    {
        return new self(
            Matters::read($in->object('matters')),
            $in->has('unbordered') ? Frame::read($in->object('unbordered')) : null,
            $in->flag('soft'),
            90 * $in->quarters('sideways', 0),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'matters' => $this->matters->toArray(),
            'unbordered' => $this->unbordered?->toArray(),
            'soft' => $this->isSoft,
            'sideways' => $this->sideways,
        ];
    }
}
