<?php

declare(strict_types=1);

// Mending a picture of twelve megapixels: what is seen while one works, and what the film is made of.
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Look;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Tone;
use Rhapsode\Studio\Prepare\LevelsOf;
use Rhapsode\Studio\Prepare\MeasuredPicture;
use Rhapsode\Studio\Prepare\Mending;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;

require dirname(__DIR__, 2) . '/vendor/autoload.php';

$scratch = new Scratch();
$median = static function (callable $work): float {
    $times = [];
    for ($i = 0; $i < 7; ++$i) {
        $begun = hrtime(true);
        $work($i);
        $times[] = (hrtime(true) - $begun) / 1e6;
    }
    sort($times);

    return $times[3];
};
$row = require __DIR__ . '/row.php';

Tool::ffmpeg(
    ['-v', 'error', '-f', 'lavfi', '-i', 'mandelbrot=s=4000x3000', '-frames:v', '1', '-q:v', '3', $scratch->path('large.jpg')],
    120,
);
$preparing = -hrtime(true);
(new PicturePreparer())->prepare($scratch->path('large.jpg'), $scratch->folder);
$preparing = ($preparing + hrtime(true)) / 1e6;
$levels = LevelsOf::picture($scratch->path(PreparedPicture::THUMB));
$master = $scratch->path(PreparedPicture::MASTER);
$recipe = static fn(int $light): Recipe => new Recipe(
    0,
    4.0,
    new Frame(0.05, 0.05, 0.9, 0.9),
    new Tone(true, $light, 10, 20, 10, Look::Album, 60),
);
$seen = $median(static fn(int $i) => Mending::follow($recipe($i), $master, 480, $levels)->writeJpeg($scratch->path('seen.jpg'), 82));
$made = $median(static fn(int $i) => Mending::follow($recipe($i), $master, 2560, $levels)->writeJpeg($scratch->path('made.jpg'), 90));

$found = $median(static fn(int $i) => MeasuredPicture::of($scratch->path(PreparedPicture::THUMB)));
$matters = MeasuredPicture::of($scratch->path(PreparedPicture::THUMB))->matters;
$framed = $median(static function (int $i) use ($matters): void {
    for ($n = 0; $n < 100; ++$n) {
        foreach (Shape::cases() as $shape) {
            Framer::move(Fit::Auto, new Framing(), 4 / 3, $shape, 5.0, "s{$i}", null, $matters);
        }
    }
}) / 100;

printf("\nMending a picture of 12 megapixels: straightened, cropped, made clear, toned, with a look\n");
$row('Its small rendition (median)', sprintf('%.2f x', $seen / 100), sprintf('100 ms (%.0f)', $seen), '1 x');
$ready = static fn(float $took): string => sprintf('making the picture ready once (%.0f of %.0f ms)', $took, $preparing);
$row('Its rendition for the film (median)', sprintf('%.2f x', $made / $preparing), $ready($made), 'less than 1 x');
$row('What is measured of it, faces and all (median)', sprintf('%.2f x', $found / $preparing), $ready($found), 'less than 1 x');
$row('Its framing in the four shapes (median)', sprintf('%.2f x', $framed), sprintf('1 ms (%.2f)', $framed), 'less than 1 x');
