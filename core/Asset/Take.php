<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Pointing\Strokes;

/**
 * What is known of a voice beside its sound: its name and who speaks, as somebody said it, whether it was put away, for which
 * slides it was spoken, where somebody pointed meanwhile, and what of it stays as it was recorded.
 */
final readonly class Take
{
    /**
     * @param list<MadeFor> $madeFor  in the order in which it was spoken
     * @param list<Stroke>  $pointing in the order in which they come
     * @param list<Lowered> $asRecorded what is not lowered in it
     */
    public function __construct(
        public string $name = '',
        public string $speaker = '',
        public bool $away = false,
        public array $madeFor = [],
        public array $pointing = [],
        public array $asRecorded = [],
    ) {}

    public static function read(Fields $in): self
    {
        return new self(
            trim($in->text('name', Limits::TAKE_NAME, '')),
            trim($in->text('speaker', Limits::SPEAKER, '')),
            $in->flag('away', false),
            array_map(MadeFor::read(...), $in->objects('madeFor')),
            array_map(Stroke::read(...), $in->objects('pointing')),
            $in->choices('asRecorded', Lowered::class),
        );
    }

    /** @return array<string, string|bool> what somebody told of a take, by its property */
    public static function told(Fields $in): array
    {
        $read = self::read($in->with(['madeFor' => null, 'pointing' => null, 'asRecorded' => null]));
        $own = ['name' => $read->name, 'speaker' => $read->speaker, 'away' => $read->away];

        return array_intersect_key($own, array_flip($in->keys()));
    }

    /** The same with the named properties changed. */
    public function with(mixed ...$changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are those of the constructor, checked when it runs) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    public function isLowered(Lowered $what): bool
    {
        return !\in_array($what, $this->asRecorded, true);
    }

    /** The same where that is lowered, or is not. */
    public function lowering(Lowered $what, bool $isLowered): self
    {
        $others = array_values(array_filter($this->asRecorded, static fn(Lowered $one): bool => $one !== $what));

        return $this->with(asRecorded: $isLowered ? $others : [...$others, $what]);
    }

    /** Where that slide's own part of it lies; null where it was spoken for others. */
    public function for(string $slide): ?MadeFor
    {
        foreach ($this->madeFor as $part) {
            if ($part->slide === $slide) {
                return $part;
            }
        }

        return null;
    }

    /** @return array<string, mixed> what is not as usual */
    public function toArray(): array
    {
        return array_filter([
            'name' => $this->name, 'speaker' => $this->speaker, 'away' => $this->away,
            'madeFor' => array_map(static fn(MadeFor $part): array => $part->toArray(), $this->madeFor),
            'pointing' => Strokes::toArray($this->pointing),
            'asRecorded' => array_column($this->asRecorded, 'value'),
        ]);
    }
}
