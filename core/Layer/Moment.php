<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Framing\Moments;

/**
 * When something of a slide happens: at a second of it, counted from when it begins to be seen, or as a word of its script is
 * said, counted from 0 on. What is tied to a word stays with it however it is spoken.
 */
final readonly class Moment
{
    private function __construct(private float $second, public ?int $word) {}

    public static function atSecond(float $second): self
    {
        return new self($second, null);
    }

    public static function atWord(int $word): self
    {
        return new self(0.0, $word);
    }

    /**
     * A number of seconds, or {word}; null where it is not told.
     *
     * @throws Malformed
     */
    public static function readOrNull(Fields $in, string $key): ?self
    {
        return match (true) {
            !$in->has($key) => null,
            \is_array($in->raw($key)) => self::atWord($in->object($key)->whole('word', 0, Limits::SCRIPT)),
            default => self::atSecond($in->number($key, 0, Limits::MOST_STAY)),
        };
    }

    /** @return float seconds from when the slide begins to be seen */
    public function second(Moments $moments): float
    {
        return null === $this->word ? $this->second : $moments->ofWord($this->word);
    }

    /** @param \Closure(int): int $place where each word of the script is now */
    public function moved(\Closure $place): self
    {
        return null === $this->word ? $this : self::atWord($place($this->word));
    }

    /** @return float|array{word: int} */
    public function told(): float|array
    {
        return null === $this->word ? $this->second : ['word' => $this->word];
    }
}
