<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Film;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\ToolFailed;

/** Makes a whole film on this machine: its missing segments side by side, then joins them. */
final readonly class FilmMaker
{
    /** @param string $kept the folder where segments are kept by name */
    public function __construct(private Makings $makings, private string $kept, private int $workers = 2) {}

    /**
     * @param \Closure(int, int): void|null $progress hears the frames done and the frames in all
     *
     * @throws ToolFailed
     */
    public function make(Plan $plan, string $to, int $height = 720, ?\Closure $progress = null): void
    {
        $scratch = new Scratch();
        $segments = Segments::of($plan, $height);
        $path = fn(Segment $s): string => "{$this->kept}/{$s->name}.mp4";
        $missing = [];
        foreach ($segments as $segment) {
            // A film may hold the same segment twice; used ones are kept longer.
            if (!@touch($path($segment), time()) || 0 === (int) filesize($path($segment))) {
                @unlink($path($segment));
                $missing[$segment->name] = $segment;
            }
        }
        $this->makeAll(array_values($missing), $plan, $height, $path, $scratch, $progress);
        (new FilmJoiner($this->makings))->join($plan, array_map(static fn(Segment $s): array => [$path($s), $s->frames], $segments), $scratch->path('film.mp4'), $scratch->folder);
        if (!@rename($scratch->path('film.mp4'), $to) && !copy($scratch->path('film.mp4'), $to)) {
            throw new ToolFailed('The film cannot be written.');
        }
    }

    /**
     * @param list<Segment>                 $segments
     * @param \Closure(Segment): string     $path
     * @param \Closure(int, int): void|null $progress
     */
    private function makeAll(array $segments, Plan $plan, int $height, \Closure $path, Scratch $scratch, ?\Closure $progress): void
    {
        $total = array_sum(array_map(static fn(Segment $s): int => $s->frames, $segments));
        // The longest first, so that no worker is left alone with it at the end.
        usort($segments, static fn(Segment $a, Segment $b): int => $b->frames <=> $a->frames);
        $children = [];
        for ($k = 0; $k < min($this->workers, \count($segments)); ++$k) {
            $child = pcntl_fork();
            if (0 === $child) {
                exit($this->work($segments, $plan, $height, $path, $scratch));
            }
            $children[$child] = true;
        }
        $failed = false;
        $most = 0;
        while ([] !== $children) {
            $ended = pcntl_waitpid(-1, $status, \WNOHANG);
            if ($ended > 0) {
                $failed = $failed || is_file($scratch->path('failed'));
                unset($children[$ended]);
            } else {
                usleep(40_000);
            }
            if (null !== $progress) {
                $done = array_sum(array_map(
                    static fn(Segment $s): int => is_file($path($s)) ? $s->frames : (int) @file_get_contents($scratch->path($s->name . '.done')),
                    $segments,
                ));
                clearstatcache();
                $most = max($most, $done);
                $progress($most, $total);
            }
        }
        if ($failed) {
            throw new ToolFailed(trim((string) @file_get_contents($scratch->path('failed'))));
        }
    }

    /**
     * @param list<Segment>             $segments
     * @param \Closure(Segment): string $path
     */
    private function work(array $segments, Plan $plan, int $height, \Closure $path, Scratch $scratch): int
    {
        $maker = new SegmentMaker($this->makings, $plan->shape, $height);
        try {
            foreach ($segments as $segment) {
                $claim = @fopen($scratch->path($segment->name . '.claimed'), 'x');
                if (false === $claim) {
                    continue;
                }
                fclose($claim);
                $maker->make($segment, $path($segment), static function (int $frames) use ($scratch, $segment): bool {
                    file_put_contents($scratch->path($segment->name . '.done'), (string) $frames);

                    return !is_file($scratch->path('failed'));
                });
            }
        } catch (\Throwable $problem) {
            file_put_contents($scratch->path('failed'), $problem->getMessage());
            // The scratch folder is the parent's to remove.
            posix_kill((int) getmypid(), \SIGKILL);
        }
        posix_kill((int) getmypid(), \SIGKILL);

        return 0;
    }
}
