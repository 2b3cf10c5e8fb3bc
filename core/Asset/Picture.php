<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Geometry\Frame;

/**
 * A picture that the story may use. Width and height are pixels of the upright picture; $description is what its file says that it
 * shows, which may be offered as words; $matters what matters in it, null where it came in before that was measured; $unbordered what
 * lies within its black borders, where it has any; $soft whether nothing in it is sharp; $sideways by how many degrees clockwise it
 * would come upright, where it is known to lie on its side or its head; $transparent whether what is behind it is seen in parts of
 * it. Where it moves, $clip tells how, and all of this is said of one of its frames, which stands for it.
 */
final readonly class Picture extends Asset
{
    public function __construct(
        string $id,
        string $file,
        public int $width,
        public int $height,
        Source $source = new Source(),
        public string $description = '',
        public ?Matters $matters = null,
        public ?Frame $unbordered = null,
        public bool $soft = false,
        public ?Clip $clip = null,
        public int $sideways = 0,
        public bool $transparent = false,
    ) {
        parent::__construct($id, $file, $source);
    }

    public static function read(string $id, Fields $in): self
    {
        return new self(
            $id,
            $in->text('file', Limits::FILE, min: 1),
            $in->whole('width', 1, 100_000),
            $in->whole('height', 1, 100_000),
            Source::in($in),
            $in->text('description', Limits::WORDS, ''),
            $in->has('matters') ? Matters::read($in->object('matters')) : null,
            $in->has('unbordered') ? Frame::read($in->object('unbordered')) : null,
            $in->flag('soft', false),
            $in->has('clip') ? Clip::read($in->object('clip')) : null,
            90 * $in->quarters('sideways', 0),
            $in->flag('transparent', false),
        );
    }

    public function kind(): AssetKind
    {
        return AssetKind::Picture;
    }

    public function withSource(Source $source): static
    {
        return new self(
            $this->id,
            $this->file,
            $this->width,
            $this->height,
            $source,
            $this->description,
            $this->matters,
            $this->unbordered,
            $this->soft,
            $this->clip,
            $this->sideways,
            $this->transparent,
        );
    }

    protected function measured(): array
    {
        return ['width' => $this->width, 'height' => $this->height]
            + ('' === $this->description ? [] : ['description' => $this->description])
            + (null === $this->matters ? [] : ['matters' => $this->matters->toArray()])
            + (null === $this->unbordered ? [] : ['unbordered' => $this->unbordered->toArray()])
            + ($this->soft ? ['soft' => true] : [])
            + (0 === $this->sideways ? [] : ['sideways' => $this->sideways])
            + ($this->transparent ? ['transparent' => true] : [])
            + (null === $this->clip ? [] : ['clip' => $this->clip->toArray()]);
    }
}
