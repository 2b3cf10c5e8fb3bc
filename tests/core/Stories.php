<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use Rhapsode\Core\Story\Picture;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Source;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Take;

/** Stories for tests. */
final class Stories
{
    /**
     * @param list<array<string, mixed>> $slides what differs from the usual slide; `voice` is the length of a take in seconds
     */
    public static function of(array $slides): Story
    {
        $all = $takes = [];
        foreach ($slides as $i => $changes) {
            if (isset($changes['voice'])) {
                $seconds = $changes['voice'];
                \assert(is_numeric($seconds));
                $samples = (int) round((float) $seconds * 48_000);
                $takes["t{$i}"] = new Take("t{$i}", "t{$i}.wav", $samples + 96_000, 48_000, 48_000 + $samples, -20.0, -3.0);
                $changes['take'] = "t{$i}";
            }
            unset($changes['voice']);
            $slide = new Slide("s{$i}", picture: 'p');
            $all[] = $slide->with(...$changes);
        }

        return new Story('A story', $all, ['p' => self::picture()], $takes);
    }

    public static function picture(int $width = 2400, int $height = 1350): Picture
    {
        return new Picture('p', 'p.jpg', $width, $height, new Source('The mill', 'Ann', 'https://example.org/mill', 'CC BY 4.0'));
    }

    /** A story of any kind, the same for the same seed. */
    public static function random(int $seed): Story
    {
        mt_srand($seed);
        $slides = [];
        for ($i = mt_rand(1, 12); $i > 0; --$i) {
            $slides[] = [
                'kind' => 0 === mt_rand(0, 5) ? SlideKind::Title : SlideKind::Picture,
                'stay' => 0 === mt_rand(0, 1) ? null : mt_rand(1, 60) / 2,
                'join' => new \Rhapsode\Core\Story\Join(0 === mt_rand(0, 3) ? \Rhapsode\Core\Story\JoinKind::Cut : \Rhapsode\Core\Story\JoinKind::Crossfade, mt_rand(1, 30) / 10),
                'trimmed' => 0 === mt_rand(0, 1),
                'script' => str_repeat('The wheel turns. ', mt_rand(0, 9)),
            ] + (0 === mt_rand(0, 1) ? ['voice' => mt_rand(1, 20_000) / 1000] : []);
        }

        return self::of($slides);
    }
}
