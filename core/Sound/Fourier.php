<?php

declare(strict_types=1);

namespace Rhapsode\Core\Sound;

/** The power spectrum of short stretches of sound, by the fast Fourier transform (Cooley and Tukey, 1965). */
final class Fourier
{
    /** @var list<int> where each sample goes first */
    private array $order = [];
    /** @var list<float> */
    private array $cosines = [];
    /** @var list<float> */
    private array $sines = [];

    /** @param int $size samples of a stretch, a power of two */
    public function __construct(private readonly int $size)
    {
        $bits = (int) round(log($size, 2));
        for ($i = 0; $i < $size; ++$i) {
            $this->order[] = (int) bindec(strrev(str_pad(decbin($i), $bits, '0', \STR_PAD_LEFT)));
            $this->cosines[] = cos(2 * \M_PI * $i / $size);
            $this->sines[] = -sin(2 * \M_PI * $i / $size);
        }
    }

    /**
     * @param list<float> $samples as many as its size
     *
     * @return list<float> the power at each of its size/2 + 1 frequencies, from 0 on
     */
    public function power(array $samples): array
    {
        $real = array_map(static fn(int $from): float => $samples[$from], $this->order);
        $imaginary = array_fill(0, $this->size, 0.0);
        for ($length = 2; $length <= $this->size; $length *= 2) {
            $half = intdiv($length, 2);
            $step = intdiv($this->size, $length);
            for ($begin = 0; $begin < $this->size; $begin += $length) {
                for ($k = 0; $k < $half; ++$k) {
                    [$a, $b] = [$begin + $k, $begin + $k + $half];
                    [$c, $s] = [$this->cosines[$k * $step], $this->sines[$k * $step]];
                    $x = $real[$b] * $c - $imaginary[$b] * $s;
                    $y = $real[$b] * $s + $imaginary[$b] * $c;
                    $real[$b] = $real[$a] - $x;
                    $imaginary[$b] = $imaginary[$a] - $y;
                    $real[$a] += $x;
                    $imaginary[$a] += $y;
                }
            }
        }
        $power = [];
        for ($i = 0; $i <= intdiv($this->size, 2); ++$i) {
            $power[] = $real[$i] ** 2 + $imaginary[$i] ** 2;
        }

        return $power;
    }
}
