<?php

declare(strict_types=1);

use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\Picture;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Source;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Take;
use Rhapsode\Studio\Film\FilmFormat;
use Rhapsode\Studio\Film\FilmMaker;
use Rhapsode\Studio\Folder\FolderMakings;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Words\FontWidths;
use Symfony\Component\Process\Process;

require dirname(__DIR__, 2) . '/vendor/autoload.php';

$demo = dirname(__DIR__, 2) . '/demo';
$cores = max(1, (int) shell_exec('nproc'));
$scratch = new Scratch(isset($argv[1]) ? $argv[1] : null);
$folder = $scratch->path('story');
mkdir($folder);
// Four moving, spoken slides and a title: about 40 s.
$words = ['A pond full of borrowed sea', 'The moon pulls the sea.', 'Five metres of oak', 'Two sacks an hour'];
foreach (['dawn-over-the-wend', 'moon-and-tide', 'the-great-wheel', 'inside-the-mill'] as $i => $name) {
    copy("{$demo}/pictures/{$name}.jpg", "{$folder}/{$i}.jpg");
    copy(sprintf('%s/voices/moon-%02d.ogg', $demo, $i + 1), "{$folder}/{$i}.ogg");
    file_put_contents("{$folder}/{$i}.caption.txt", $words[$i]);
    file_put_contents("{$folder}/{$i}.txt", $words[$i]);
}
file_put_contents("{$folder}/title.txt", 'Measured');
$time = static function (callable $work): float {
    $begun = microtime(true);
    $work();

    return microtime(true) - $begun;
};
$row = static fn(string $what, string $figure, string $against): int => printf("%-58s %10s   %s\n", $what, $figure, $against);

$makings = new FolderMakings($scratch->path('kept'));
$read = static function () use ($folder, $makings): \Rhapsode\Core\Plan\Plan {
    $from = new StoryFolder($folder, $makings);
    $story = $from->read();

    return (new Planner(new FontWidths()))->plan($story, $from->lights($story));
};
$plan = $read();
$maker = new FilmMaker($makings, $makings->segments(), $cores);
$film = $scratch->path('film.mp4');
$format = FilmFormat::of($plan->shape);
$ours = $time(static fn() => $maker->make($plan, $film, $format));

// The limit: the very same frames, lying ready, encoded with the same settings by as many processes.
Tool::ffmpeg(['-v', 'error', '-i', $film, '-map', '0:v', '-pix_fmt', 'yuv420p', '-f', 'rawvideo', $scratch->path('frames.yuv')], 600);
$size = 1280 * 720 * 3 / 2;
$share = intdiv($plan->frames(), $cores);
$limit = $time(static function () use ($scratch, $cores, $share, $size, $format): void {
    $running = [];
    for ($k = 0; $k < $cores; ++$k) {
        $running[] = $process = new Process(['ffmpeg', '-nostdin', '-v', 'error', '-y', '-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', '1280x720', '-r', '30', '-skip_initial_bytes', (string) ($k * $share * $size), '-i', $scratch->path('frames.yuv'), '-frames:v', (string) $share, ...$format->video(), $scratch->path("limit-{$k}.mp4")], timeout: 900);
        $process->start();
    }
    array_map(static fn(Process $p): int => $p->wait(), $running);
});
unlink($scratch->path('frames.yuv'));

printf("%d frames at 1280x720, %d cores\n\n", $plan->frames(), $cores);
$row('Making the film, all of it', sprintf('%.2f x', $ours / $limit), 'encoding the same ready frames, same settings');
file_put_contents("{$folder}/2.caption.txt", 'Mended');
$mended = $time(static function () use ($read, $maker, $film, $format): void {
    $maker->make($read(), $film, $format);
});
$row('… after one caption was mended', sprintf('%.2f x', $mended / $ours), 'the full making');
$nothing = $time(static function () use ($read, $maker, $film, $format): void {
    $maker->make($read(), $film, $format);
});
$row('… when nothing has changed', sprintf('%.2f x', $nothing / $ours), 'the full making');

$story = static function (int $count): Story {
    $slides = $takes = [];
    for ($i = 0; $i < $count; ++$i) {
        $takes["t{$i}"] = new Take("t{$i}", 't', 480_000, 1000, 470_000, -20, -3);
        $slides[] = new Slide("s{$i}", picture: 'p', caption: new Caption('The wheel is five metres high, and it turns twice a day.'), script: str_repeat('The tide comes in, fills the pond, and turns the wheel. ', 3), take: "t{$i}");
    }

    return new Story('Long', $slides, ['p' => new Picture('p', 'p.jpg', 2400, 1600, new Source('T', 'A'))], $takes);
};
$planner = new Planner(new FontWidths());
$small = $story(20);
$large = $story(200);
$planner->plan($small);
$of20 = $time(static fn() => $planner->plan($small));
$of200 = $time(static fn() => $planner->plan($large));
$row('The plan of 20 slides', sprintf('%.1f ms', $of20 * 1000), sprintf('%.2f x of one frame at 30 a second', $of20 * 30));
$row('The plan of 200 slides', sprintf('%.1f ms', $of200 * 1000), sprintf('%.1f x the plan of 20', $of200 / $of20));
