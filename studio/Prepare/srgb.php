<?php

declare(strict_types=1);

// Makes srgb.icc: an ICC v4 matrix/TRC display profile of IEC 61966-2-1 (sRGB). The layout is that of ICC.1:2010, the
// colorants are sRGB's primaries adapted to D50, the tone curve its parametric curve of type 3.

$fixed = static fn(float $v): string => pack('N', (int) round($v * 65536) & 0xFFFFFFFF);
$xyz = static fn(float $x, float $y, float $z): string => 'XYZ ' . "\0\0\0\0" . $fixed($x) . $fixed($y) . $fixed($z);
$text = static fn(string $s): string => 'mluc' . "\0\0\0\0" . pack(
    'NN',
    1,
    12,
) . 'enUS' . pack('NN', 2 * strlen($s), 28) . mb_convert_encoding($s, 'UTF-16BE', 'UTF-8');
$curve = 'para' . "\0\0\0\0" . pack(
    'n',
    3,
) . "\0\0" . $fixed(2.4) . $fixed(1 / 1.055) . $fixed(0.055 / 1.055) . $fixed(1 / 12.92) . $fixed(0.04045);
$tags = [
    'desc' => $text('sRGB'),
    'cprt' => $text('No copyright, use freely'),
    'wtpt' => $xyz(0.9642, 1.0, 0.8249),
    'rXYZ' => $xyz(0.43607, 0.22249, 0.01392),
    'gXYZ' => $xyz(0.38515, 0.71687, 0.09708),
    'bXYZ' => $xyz(0.14307, 0.06061, 0.71410),
    'rTRC' => $curve, 'gTRC' => $curve, 'bTRC' => $curve,
];
$table = pack('N', count($tags));
$data = '';
$offset = 128 + 4 + 12 * count($tags);
foreach ($tags as $name => $tag) {
    $table .= $name . pack('NN', $offset + strlen($data), strlen($tag));
    $data .= str_pad($tag, (int) ceil(strlen($tag) / 4) * 4, "\0");
}
$size = $offset + strlen($data);
$header = pack(
    'N',
    $size,
) . "\0\0\0\0" . "\x04\x20\x00\x00" . 'mntrRGB XYZ ' . pack('n6', 2026, 1, 1, 0, 0, 0) . 'acsp' . str_repeat("\0", 24) . pack('N', 0)
    . $fixed(0.9642) . $fixed(1.0) . $fixed(0.8249) . str_repeat("\0", 48);
file_put_contents(__DIR__ . '/srgb.icc', str_pad(substr($header, 0, 128), 128, "\0") . $table . $data);
