<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Render;

/** Inputs and filters of one ffmpeg command, put together step by step: each step answers with the label of what it gives. */
final class FilterGraph
{
    /** @var list<string> */
    private array $inputs = [];
    /** @var list<string> */
    private array $filters = [];
    private int $count = 0;

    /** @param list<string> $arguments how the input is read, ending with `-i` and its path */
    public function input(array $arguments): string
    {
        array_push($this->inputs, ...$arguments);

        return $this->count++ . ':v';
    }

    /** @param string ...$from labels */
    public function filter(string $filter, string ...$from): string
    {
        $label = 'f' . \count($this->filters);
        $this->filters[] = implode('', array_map(static fn(string $l): string => "[{$l}]", $from)) . "{$filter}[{$label}]";

        return $label;
    }

    /** @return list<string> a label so many times over */
    public function split(string $from, int $times): array
    {
        $n = \count($this->filters);
        $labels = array_map(static fn(int $k): string => "f{$n}s{$k}", range(1, $times));
        $this->filters[] = "[{$from}]split={$times}[" . implode('][', $labels) . ']';

        return $labels;
    }

    /** @return list<string> the command's arguments, giving the stream of that label */
    public function arguments(string $out): array
    {
        return [...$this->inputs, '-filter_complex', implode(';', $this->filters), '-map', "[{$out}]"];
    }
}
