<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\CaptionPlace;
use Rhapsode\Core\Story\Fit;
use Rhapsode\Core\Story\Join;
use Rhapsode\Core\Story\JoinKind;
use Rhapsode\Core\Story\Motion;
use Rhapsode\Core\Story\Music;
use Rhapsode\Core\Story\Picture;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Source;
use Rhapsode\Core\Story\Spoken;
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

    /** A story of any kind, with all that a document can say, the same for the same seed. */
    public static function random(int $seed): Story
    {
        mt_srand($seed);
        $pictures = $takes = $music = $slides = $beds = [];
        foreach ([[2400, 1350], [1350, 2400], [900, 900], [500, 300], [6000, 900]] as $i => [$width, $height]) {
            $source = self::maybe() ? new Source("Title {$i}", "Author {$i}", self::maybe() ? "https://example.org/{$i}/" : '', self::maybe() ? 'CC0' : '') : new Source();
            $pictures["p{$i}"] = new Picture("p{$i}", "{$i}.jpg", $width, $height, $source);
        }
        $music['m'] = new Music('m', 'm.mp3', mt_rand(96_000, 9_600_000), self::maybe() ? -20.0 : null, self::maybe() ? -17.0 : null, -3.0, self::maybe() ? new Source('Tune', 'Ann') : new Source());
        for ($i = 0, $count = mt_rand(1, 12); $i < $count; ++$i) {
            if (self::maybe()) {
                $takes["t{$i}"] = self::randomTake("t{$i}");
            }
            $slides[] = self::randomSlide("s{$i}", isset($takes["t{$i}"]) ? "t{$i}" : null, \count($pictures));
        }
        for ($i = mt_rand(0, 3); $i > 0; --$i) {
            $from = mt_rand(0, \count($slides) - 1);
            $beds[] = new Bed("b{$i}", 'm', self::maybe() ? "s{$from}" : null, self::maybe() ? 's' . mt_rand($from, \count($slides) - 1) : null, mt_rand(-6, 40), mt_rand(0, 40) / 2, mt_rand(0, 40) / 2, mt_rand(0, 10), self::maybe(), self::maybe());
        }
        $captions = self::maybe(4) ? array_map(static fn(int $n): Spoken => new Spoken($n * 2000, $n * 2000 + mt_rand(1, 1900), "Caption {$n}"), range(0, mt_rand(1, 20))) : null;

        return new Story(
            'A story',
            $slides,
            $pictures,
            $takes,
            ['en', 'de', 'ar', 'ja', 'pt-BR'][mt_rand(0, 4)],
            Shape::cases()[mt_rand(0, 3)],
            self::maybe(),
            $music,
            $beds,
            $captions,
        );
    }

    private static function randomSlide(string $id, ?string $take, int $pictures): Slide
    {
        $words = ['', 'A fact', 'المد والجزر', '潮汐の水車', "Two\nlines", str_repeat('A long caption that says too much. ', 7), '👩‍👩‍👧 came'];
        $frame = static function (): Frame {
            $width = mt_rand(2, 10) / 10;
            $height = mt_rand(2, 10) / 10;

            return new Frame(mt_rand(0, (int) round(10 * (1 - $width))) / 10, mt_rand(0, (int) round(10 * (1 - $height))) / 10, $width, $height);
        };
        $motion = Motion::cases()[mt_rand(0, 2)];

        return new Slide(
            $id,
            self::maybe(5) ? SlideKind::Title : SlideKind::Picture,
            'p' . mt_rand(0, $pictures - 1),
            Fit::cases()[mt_rand(0, 2)],
            $motion,
            Motion::Set === $motion ? $frame() : null,
            Motion::Set === $motion ? $frame() : null,
            self::maybe() ? 'A heading' : '',
            self::maybe() ? 'A subtitle' : '',
            new Caption($words[mt_rand(0, \count($words) - 1)], CaptionPlace::cases()[mt_rand(0, 2)]),
            str_repeat('The wheel turns. ', mt_rand(0, 9)),
            $take,
            self::maybe(),
            self::maybe() ? null : mt_rand(1, 60) / 2,
            new Join(JoinKind::cases()[mt_rand(0, \count(JoinKind::cases()) - 1)], mt_rand(1, 30) / 10),
        );
    }

    private static function randomTake(string $id): Take
    {
        $samples = mt_rand(4_800, 960_000);
        $from = mt_rand(0, intdiv($samples, 3));
        $to = mt_rand($samples - intdiv($samples, 3), $samples);
        $third = intdiv($to - $from, 3);

        return new Take($id, "{$id}.wav", $samples, $from, $to, self::maybe(5) ? null : -20.0, -3.0, self::maybe() ? 30.0 : null, self::maybe(5), self::maybe() ? [[$from + $third, $from + $third + 20]] : []);
    }

    /**
     * True once in so many times.
     *
     * @phpstan-impure
     */
    private static function maybe(int $in = 2): bool
    {
        return 0 === mt_rand(0, $in - 1);
    }
}
