<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Framing\Moments;
use Rhapsode\Core\Timing\Rate;

/** When something on a slide is seen, and how it comes; null for what is there from its beginning, or to its end. */
final readonly class Presence
{
    public function __construct(
        public ?Moment $comes = null,
        public ?Moment $goes = null,
        public Entrance $entrance = Entrance::Fade,
    ) {}

    /** @param float|null $comes seconds of the slide */
    public static function between(?float $comes = null, ?float $goes = null, Entrance $entrance = Entrance::Fade): self
    {
        return new self(
            null === $comes ? null : Moment::atSecond($comes),
            null === $goes ? null : Moment::atSecond($goes),
            $entrance,
        );
    }

    /** The same where what comes knows only to be there or to fade in. */
    public function plain(): self
    {
        return Entrance::AtOnce === $this->entrance ? $this : new self($this->comes, $this->goes);
    }

    /** The same for what comes in its turn, unless it was told when. @param float|null $second of the slide; null where it waits for none */
    public function inTurn(?float $second): self
    {
        return null === $second || null !== $this->comes ? $this : new self(Moment::atSecond($second), $this->goes, $this->entrance);
    }

    /** @throws Malformed */
    public static function read(Fields $in): self
    {
        return new self(
            Moment::readOrNull($in, 'comes'),
            Moment::readOrNull($in, 'goes'),
            $in->choice('entrance', Entrance::class, Entrance::Fade),
        );
    }

    /** @return float|null seconds from when the slide begins to be seen; null where it is there from then on */
    public function from(Moments $moments): ?float
    {
        // What is seen to come does so when the slide is there.
        return $this->comes?->second($moments) ?? (\in_array(
            $this->entrance,
            [Entrance::Rise, Entrance::Written],
            true,
        ) ? $moments->begins() : null);
    }

    public function to(Moments $moments): ?float
    {
        return $this->goes?->second($moments);
    }

    /** Whether both are seen at one moment. */
    public function meets(self $other, Moments $moments): bool
    {
        return max($this->comes?->second($moments) ?? 0.0, $other->comes?->second($moments) ?? 0.0)
            < min($this->to($moments) ?? \INF, $other->to($moments) ?? \INF);
    }

    /** @param bool $isWritten whether it can be written line by line; what cannot fades in */
    public function opacity(LayerContext $context, bool $isWritten = false): Envelope
    {
        $from = $this->from($context->moments);
        $to = $this->to($context->moments);

        return match (true) {
            Entrance::AtOnce === $this->entrance => Envelope::atOnce($from, $to, $context->frames, Rate::FPS),
            // What is not written yet is not seen anyway.
            $isWritten && Entrance::Written === $this->entrance => Envelope::comingAndGoing(null, $to, $context->frames, Rate::FPS),
            default => Envelope::comingAndGoing($from, $to, $context->frames, Rate::FPS),
        };
    }

    /** How much of its way is still before it that comes up from below, 1 to 0; null where it comes in another way. */
    public function rise(LayerContext $context): ?Envelope
    {
        return Entrance::Rise === $this->entrance
            ? Envelope::settling($this->from($context->moments) ?? 0.0, Envelope::SOFT, $context->frames, Rate::FPS)
            : null;
    }

    /**
     * How much is written of it that is written line by line, 0 to 1; null where it comes in another way.
     *
     * @param float $seconds that it takes
     */
    public function written(LayerContext $context, float $seconds): ?Envelope
    {
        if (Entrance::Written !== $this->entrance) {
            return null;
        }
        $from = $this->from($context->moments) ?? 0.0;
        // It is all there for most of its time, however short that is.
        $time = ($this->to($context->moments) ?? Rate::seconds($context->frames)) - $from;

        return Envelope::over($from, min($seconds, max(0.0, $time) / 3), $context->frames, Rate::FPS);
    }

    /** @param \Closure(int): int $place where each word of the script is now */
    public function moved(\Closure $place): self
    {
        return new self($this->comes?->moved($place), $this->goes?->moved($place), $this->entrance);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'comes' => $this->comes?->told(), 'goes' => $this->goes?->told(),
            ...Entrance::Fade === $this->entrance ? [] : ['entrance' => $this->entrance->value],
        ];
    }
}
