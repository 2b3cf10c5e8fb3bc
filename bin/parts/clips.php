<?php

declare(strict_types=1);

// Clips: making one ready, and the film of it beside the film of a picture that moves as slowly.
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Picture\Look;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Tone;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\FilmMaker;
use Rhapsode\Studio\Prepare\ClipPreparer;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontWidths;

require dirname(__DIR__, 2) . '/vendor/autoload.php';

const SECONDS = 8;
$scratch = new Scratch();
$timed = static function (callable $work): float {
    $begun = hrtime(true);
    $work();

    return (hrtime(true) - $begun) / 1e9;
};
$line = require __DIR__ . '/row.php';
$row = static fn(string $what, float $took, float $against, string $of, string $asked) => $line(
    $what,
    sprintf('%.2f x', $took / $against),
    sprintf('%s (%.1f s of %.1f)', $of, $took, $against),
    $asked,
);
$clip = static fn(string $name, string $size, int $rate): array => Tool::ffmpeg([
    '-v', 'error', '-f', 'lavfi', '-i', "mandelbrot=s={$size}:r={$rate}:end_scale=0.3", '-f', 'lavfi', '-i', 'sine=300',
    '-t', (string) SECONDS, '-pix_fmt', 'yuv420p',
    '-c:v', 'libx264', '-preset', 'veryfast', '-b:v', '16M', '-c:a', 'aac', Tool::file($scratch->path($name)),
], 300);

printf("\nA clip of %d s\n", SECONDS);
foreach (['1280x720' => 30, '1920x1080' => 30, '1920x1080 ' => 60] as $size => $rate) {
    $size = trim($size);
    $clip('clip.mp4', $size, $rate);
    $folder = $scratch->path("made-{$size}-{$rate}");
    mkdir($folder);
    $reading = $timed(static fn() => Tool::ffmpeg(['-v', 'error', '-i', Tool::file($scratch->path('clip.mp4')), '-f', 'null', '-'], 300));
    $making = $timed(static fn() => (new ClipPreparer())->prepare($scratch->path('clip.mp4'), $folder, null, true));
    $row(
        "Made ready, {$size} at {$rate}",
        $making,
        SECONDS,
        'its own time',
        sprintf('as measured; reading it alone is %.2f x', $reading / SECONDS),
    );
}

$clip('clip.mp4', '1280x720', 30);
Tool::ffmpeg(['-v', 'error', '-f', 'lavfi', '-i', 'mandelbrot=s=2400x1350', '-frames:v', '1', Tool::file($scratch->path('picture.jpg'))]);
$renditions = new FolderRenditions($scratch->path('renditions'));
$made = $renditions->addClip('c', $scratch->path('clip.mp4'));
$renditions->addPicture('p', $scratch->path('picture.jpg'));
$assets = ['c' => new Picture('c', 'clip.mp4', 1280, 720, clip: $made->clip), 'p' => new Picture('p', 'picture.jpg', 2400, 1350)];
$moves = new Framing(Motion::Set, Frame::all(), new Frame(0.2, 0.2, 0.6, 0.6));
$toned = new Recipe(0, 3.0, null, new Tone(light: 10, look: Look::Album));
$film = static function (PictureLayer $layer, string $name) use ($scratch, $renditions, $assets, $timed): float {
    mkdir($scratch->path("kept-{$name}"));
    $story = new Story('Measured', [new Slide('s', layers: [$layer], stay: (float) SECONDS)], $assets, credits: false);
    $plan = (new Planner(new FontWidths(), new IcuCatalogue()))->plan($story);

    return $timed(static fn() => (new FilmMaker(
        $renditions,
        $scratch->path("kept-{$name}"),
        1,
    ))->make($plan, $scratch->path("{$name}.mp4"), FilmFormat::of($story->shape)));
};
$picture = $film(new PictureLayer('picture', 'p', framing: $moves), 'picture');
printf("\nThe film of it, beside that of a picture that moves\n");
$row('As it came', $film(new PictureLayer('picture', 'c'), 'plain'), $picture, 'the film of a picture', '1.5 x');
$row('Led over', $film(new PictureLayer('picture', 'c', framing: $moves), 'moved'), $picture, 'the film of a picture', '1.5 x');
$row(
    'Straightened, toned, with a look',
    $film(new PictureLayer('picture', 'c', $toned), 'toned'),
    $picture,
    'the film of a picture',
    '3 x',
);
