<?php

declare(strict_types=1);

// Makes widths.json: the advance width in em of every character of the six faces, read from the fonts' own tables
// (cmap and hmtx, by way of ImageMagick's metrics). Run it again when a font file changes.

$faces = [
    'reading-regular' => 'literata-*-400-normal.ttf', 'reading' => 'literata-*-600-normal.ttf', 'reading-bold' => 'literata-*-800-normal.ttf',
    'plain-regular' => 'atkinson-hyperlegible-next-*-400-normal.ttf', 'plain' => 'atkinson-hyperlegible-next-*-600-normal.ttf',
    'plain-bold' => 'atkinson-hyperlegible-next-*-800-normal.ttf',
    'hand' => 'patrick-hand-*-400-normal.ttf',
    'typed-regular' => 'courier-prime-*-400-normal.ttf', 'typed' => 'courier-prime-*-700-normal.ttf',
    'solemn' => 'forum-*-400-normal.ttf',
    'loud-regular' => 'rubik-*-500-normal.ttf', 'loud' => 'rubik-*-700-normal.ttf', 'loud-bold' => 'rubik-*-900-normal.ttf',
];
$ranges = [
    'latin' => [[0x20, 0x7E], [0xA0, 0xFF], [0x2010, 0x2027], [0x2030, 0x203A], [0x20AC, 0x20AC]],
    'latin-ext' => [[0x100, 0x24F], [0x1E00, 0x1EFF]],
    'cyrillic' => [[0x400, 0x45F]],
    'greek' => [[0x370, 0x3FF]],
    'hebrew' => [[0x5D0, 0x5EA]],
];
$widths = [];
foreach ($faces as $face => $pattern) {
    foreach (glob(__DIR__ . '/' . $pattern) ?: [] as $file) {
        preg_match('/-(latin|latin-ext|cyrillic|greek|hebrew|arabic)-\d00/', $file, $match);
        $covered = coverage($file);
        $draw = new ImagickDraw();
        $draw->setFont($file);
        $draw->setFontSize(1000);
        $image = new Imagick();
        // Arabic letters are as wide as their neighbours let them be: bounds serve for them.
        foreach ($ranges[$match[1]] ?? [] as [$from, $to]) {
            for ($code = $from; $code <= $to; ++$code) {
                if (isset($covered[$code])) {
                    // Between two letters, so that side bearings and spaces count.
                    $char = mb_chr($code);
                    $both = $image->queryFontMetrics($draw, '|' . $char . '|', false)['textWidth'];
                    $bare = $image->queryFontMetrics($draw, '||', false)['textWidth'];
                    $widths[$face][$code] = round(($both - $bare) / 1000, 4);
                }
            }
        }
    }
    ksort($widths[$face]);
}
file_put_contents(__DIR__ . '/widths.json', json_encode($widths, JSON_THROW_ON_ERROR));

/** @return array<int, true> the characters a font has, as fontconfig tells them */
function coverage(string $file): array
{
    $codes = [];
    foreach (explode(' ', trim((string) shell_exec('fc-scan -f "%{charset}" ' . escapeshellarg($file)))) as $range) {
        [$from, $to] = explode('-', $range) + [1 => $range];
        foreach (range((int) hexdec($from), (int) hexdec($to)) as $code) {
            $codes[$code] = true;
        }
    }

    return $codes;
}
