<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Mux;

/** Inputs and filters of one ffmpeg command for sound, put together step by step. */
final class SoundGraph
{
    /** @var list<string> */
    public array $inputs = [];
    /** @var list<string> */
    public array $filters = [];
    private int $count = 0;

    /**
     * @param list<string> $arguments how the input is read, ending with `-i` and its path
     *
     * @return int its number
     */
    public function input(array $arguments): int
    {
        array_push($this->inputs, ...$arguments);

        return $this->count++;
    }
}
