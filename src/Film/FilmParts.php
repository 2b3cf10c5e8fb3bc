<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Rhapsode\App\Shared\Database\Claims;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Studio\Mux\Mixer;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Segment;
use Rhapsode\Studio\Render\SegmentMaker;
use Rhapsode\Studio\Render\Segments;

/**
 * What films are concatenated from: segments, and their sound. Each lies in the store under the hash of all that determines it,
 * and is made by one worker at a time.
 */
final class FilmParts
{
    /** The last maker, since it keeps the pictures it used. */
    private ?SegmentMaker $maker = null;
    private string $makerOf = '';

    public function __construct(
        private readonly StoreRenditions $renditions,
        private readonly Store $store,
        private readonly Claims $claims,
    ) {}

    /** @return list<string> the keys of all that a film needs */
    public function keys(Plan $plan, FilmFormat $format): array
    {
        return [
            ...array_map(static fn(Segment $s): string => FilmSegment::key($s->name), Segments::of($plan, $format)),
            self::soundKey($plan, $format),
        ];
    }

    /** @return array<string, Segment> those that are not made yet, by their names, in the film's order */
    public function missing(Plan $plan, FilmFormat $format): array
    {
        $missing = [];
        foreach (Segments::of($plan, $format) as $segment) {
            if (!$this->has($segment)) {
                $missing[$segment->name] = $segment;
            }
        }

        return $missing;
    }

    /** @phpstan-impure another worker may have made it a moment ago */
    public function has(Segment $segment): bool
    {
        return $this->store->has(FilmSegment::key($segment->name));
    }

    /**
     * @param \Closure(int): bool $progress hears how many frames are done, now and then; answers false to stop
     *
     * @return bool|null whether it is there; false when it was stopped, null while another worker makes it
     */
    public function make(Plan $plan, FilmFormat $format, Segment $segment, \Closure $progress): ?bool
    {
        if ($this->has($segment)) {
            return true;
        }

        return $this->claims->alone(
            "segment {$segment->name}",
            fn(): bool => $this->has($segment) || $this->makeNow($plan, $format, $segment, $progress),
        );
    }

    /**
     * @return string its path. One that was made in vain elsewhere, and is gone there, is made again
     *
     * @throws \RuntimeException while another worker makes it
     */
    public function segment(Plan $plan, FilmFormat $format, Segment $segment): string
    {
        if (true !== $this->make($plan, $format, $segment, static fn(): bool => true)) {
            throw new \RuntimeException('A segment is made by another worker just now.');
        }

        return $this->store->near(FilmSegment::key($segment->name));
    }

    /** @return string the path of the whole film's sound, made if it is nowhere */
    public function sound(Plan $plan, FilmFormat $format): string
    {
        return $this->store->once(
            self::soundKey($plan, $format),
            fn(string $new) => (new Mixer($this->renditions))->mix($plan, $format, $new),
        );
    }

    public static function soundKey(Plan $plan, FilmFormat $format): string
    {
        $name = Mixer::name($plan, $format);

        return 'sounds/' . substr($name, 0, 2) . "/{$name}.sound";
    }

    /** @param \Closure(int): bool $progress */
    private function makeNow(Plan $plan, FilmFormat $format, Segment $segment, \Closure $progress): bool
    {
        if (null === $this->maker || $this->makerOf !== $format->fingerprint()) {
            $this->maker = new SegmentMaker($this->renditions, $plan->shape, $format);
            $this->makerOf = $format->fingerprint();
        }
        $key = FilmSegment::key($segment->name);
        if (!$this->maker->make($segment, $this->store->path($key), $progress)) {
            return false;
        }
        $this->store->share($key);

        return true;
    }
}
