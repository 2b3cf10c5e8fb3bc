<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Mux;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Renditions;
use Rhapsode\Studio\Render\Segment;
use Rhapsode\Studio\Render\SegmentMaker;
use Rhapsode\Studio\Render\Segments;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\ToolFailed;

/** Makes a whole film on this machine: its sound and its missing segments side by side, then puts them together. */
final readonly class FilmMaker
{
    /** @param string $kept the folder where segments and mixed sound are kept by name */
    public function __construct(private Renditions $renditions, private string $kept, private int $workers = 2) {}

    /**
     * @param \Closure(int, int): void|null $progress hears the frames done and the frames in all
     *
     * @throws ToolFailed
     */
    public function make(Plan $plan, string $to, FilmFormat $format, ?\Closure $progress = null): void
    {
        $scratch = new Scratch();
        $content = $this->renditions->content(...);
        $segments = Segments::of($plan, $format, $content);
        $path = fn(Segment $s): string => "{$this->kept}/{$s->name}.mp4";
        $missing = [];
        foreach ($segments as $segment) {
            // A film may hold the same segment twice.
            if (!self::isKept($path($segment))) {
                $missing[$segment->name] = $segment;
            }
        }
        $sound = $this->kept . '/' . Mixer::name($plan, $format, $content) . '.sound';
        $this->makeAll(array_values($missing), self::isKept($sound) ? null : $sound, $plan, $format, $path, $scratch, $progress);
        (new FilmMuxer())->mux(
            $plan,
            $format,
            array_map(static fn(Segment $s): array => [$path($s), $s->frames], $segments),
            $sound,
            $scratch->path('film'),
            $scratch,
        );
        if (!@rename($scratch->path('film'), $to) && !copy($scratch->path('film'), $to)) {
            throw ToolFailed::notWritten($to);
        }
    }

    /** Whether it was made before; what is used is marked as used. */
    private static function isKept(string $path): bool
    {
        if (!is_file($path) || 0 === (int) filesize($path)) {
            @unlink($path);

            return false;
        }

        return touch($path);
    }

    /**
     * @param list<Segment>                 $segments
     * @param \Closure(Segment): string     $path
     * @param \Closure(int, int): void|null $progress
     */
    private function makeAll(
        array $segments,
        ?string $sound,
        Plan $plan,
        FilmFormat $format,
        \Closure $path,
        Scratch $scratch,
        ?\Closure $progress,
    ): void {
        $total = array_sum(array_map(static fn(Segment $s): int => $s->frames, $segments));
        $children = [];
        for ($k = 0; $k < min($this->workers, \count($segments) + (null === $sound ? 0 : 1)); ++$k) {
            $child = pcntl_fork();
            if (0 === $child) {
                exit($this->work(self::from($segments, $k, $this->workers), $sound, $plan, $format, $path, $scratch));
            }
            $children[$child] = true;
        }
        $most = 0;
        while ([] !== $children) {
            $ended = pcntl_waitpid(-1, $status, \WNOHANG);
            if ($ended > 0) {
                unset($children[$ended]);
            } else {
                usleep(20_000);
            }
            if (null !== $progress) {
                clearstatcache();
                $done = array_sum(array_map(
                    static fn(Segment $s): int => is_file($path($s)) ? $s->frames : (int) @file_get_contents($scratch->path($s->name . '.done')),
                    $segments,
                ));
                $most = max($most, $done);
                $progress($most, $total);
            }
        }
        clearstatcache();
        if (is_file($scratch->path('failed'))) {
            throw ToolFailed::elsewhere((string) @file_get_contents($scratch->path('failed')));
        }
    }

    /**
     * Each worker begins at a place of its own and goes on from there: what lies next to each other shows the same pictures,
     * which are then made ready by one of them only.
     *
     * @param list<Segment> $segments
     *
     * @return list<Segment>
     */
    private static function from(array $segments, int $worker, int $workers): array
    {
        $begin = intdiv(\count($segments) * $worker, $workers);

        return [...\array_slice($segments, $begin), ...\array_slice($segments, 0, $begin)];
    }

    /**
     * Takes what nobody has taken yet.
     *
     * @param list<Segment>             $segments
     * @param \Closure(Segment): string $path
     */
    private function work(array $segments, ?string $sound, Plan $plan, FilmFormat $format, \Closure $path, Scratch $scratch): int
    {
        $claimed = static function (string $name) use ($scratch): bool {
            $claim = @fopen($scratch->path($name . '.claimed'), 'x');

            return false !== $claim && fclose($claim);
        };
        $maker = new SegmentMaker($this->renditions, $plan->shape, $format);
        try {
            if (null !== $sound && $claimed('sound')) {
                (new Mixer($this->renditions))->mix($plan, $format, $scratch->path('mixed'));
                rename($scratch->path('mixed'), $sound) || throw ToolFailed::notWritten($sound);
            }
            foreach ($segments as $segment) {
                if ($claimed($segment->name)) {
                    $maker->make($segment, $path($segment), static function (int $frames) use ($scratch, $segment): bool {
                        file_put_contents($scratch->path($segment->name . '.done'), (string) $frames);

                        return !is_file($scratch->path('failed'));
                    });
                }
            }
        } catch (\Throwable $problem) {
            file_put_contents($scratch->path('failed'), $problem->getMessage());
        }
        // No destructor may run here: the scratch folder is the parent's to remove.
        posix_kill((int) getmypid(), \SIGKILL);

        return 0;
    }
}
