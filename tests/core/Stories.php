<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Asset\Matters;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Edit\Arrange;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Framing\Framing;
use Rhapsode\Core\Framing\Motion;
use Rhapsode\Core\Framing\Stop;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Point;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\Strength;
use Rhapsode\Core\Layer\Drift\Way;
use Rhapsode\Core\Layer\Entrance;
use Rhapsode\Core\Layer\Icon\IconColour;
use Rhapsode\Core\Layer\Icon\IconLayer;
use Rhapsode\Core\Layer\Icon\IconName;
use Rhapsode\Core\Layer\Moment;
use Rhapsode\Core\Layer\Picture\Lasts;
use Rhapsode\Core\Layer\Picture\Part;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Presence;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Style;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Words\Align;
use Rhapsode\Core\Words\Backing;
use Rhapsode\Core\Words\CreditsWay;
use Rhapsode\Core\Words\Face;
use Rhapsode\Core\Words\OwnPlace;
use Rhapsode\Core\Words\OwnScheme;
use Rhapsode\Core\Words\WordsLook;
use Rhapsode\Core\Words\WordsSize;

/** Stories for tests. */
final class Stories
{
    /**
     * Slides, each showing the picture `p` unless its layout says otherwise.
     *
     * @param list<array<string, mixed>> $slides what differs from the usual slide: its own properties; `voice` is the length of a
     *                                           take in seconds, `pauses` seconds within it; `caption`, `place`, `title`, `subtitle` its words; `fit`, `framing`
     *                                           and `recipe` its picture's
     */
    public static function of(array $slides): Story
    {
        $all = [];
        $assets = ['p' => self::picture()];
        foreach ($slides as $i => $changes) {
            $spans = [];
            if (isset($changes['voice'])) {
                $seconds = $changes['voice'];
                \assert(is_numeric($seconds));
                $samples = (int) round((float) $seconds * 48_000);
                /** @var list<array{float, float}> $quiet */
                $quiet = $changes['pauses'] ?? [];
                $sample = static fn(float $second): int => 48_000 + (int) round(48_000 * $second);
                $pauses = array_map(static fn(array $pause): array => [$sample($pause[0]), $sample($pause[1])], $quiet);
                $assets["t{$i}"] = new Voice("t{$i}", "t{$i}.wav", $samples + 96_000, 48_000, 48_000 + $samples, -20.0, -3.0, pauses: $pauses);
                $spans = [new Span("t{$i}", 48_000, 48_000 + $samples)];
            }
            $own = array_diff_key($changes, array_flip(['voice', 'pauses', 'caption', 'place', 'title', 'subtitle', 'fit', 'framing', 'recipe']));
            $all[] = (new Slide("s{$i}", layers: self::layers($changes), voice: $spans))->with(...$own);
        }

        return new Story('A story', $all, $assets);
    }

    /**
     * @param array<string, mixed> $changes
     *
     * @return list<PictureLayer|WordsLayer>
     */
    private static function layers(array $changes): array
    {
        $text = static function (string $key) use ($changes): string {
            $text = $changes[$key] ?? '';
            \assert(\is_string($text));

            return $text;
        };
        $layout = $changes['layout'] ?? null;
        if ($layout instanceof Layout && $layout->isWordsAlone()) {
            return [
                new WordsLayer('title', WordsRole::Title, $text('title')),
                new WordsLayer('subtitle', WordsRole::Subtitle, $text('subtitle')),
            ];
        }
        [$fit, $framing, $recipe, $place] = [
            $changes['fit'] ?? Fit::Auto,
            $changes['framing'] ?? new Framing(),
            $changes['recipe'] ?? new Recipe(),
            $changes['place'] ?? Spot::Bottom,
        ];
        \assert($fit instanceof Fit && $framing instanceof Framing && $recipe instanceof Recipe && $place instanceof Spot);

        return [
            new PictureLayer('picture', 'p', $recipe, $fit, $framing),
            ...('' === $text('caption') ? [] : [new WordsLayer('caption', WordsRole::Caption, $text('caption'), $place)]),
        ];
    }

    private static function randomLook(): WordsLook
    {
        $colours = ['#ffffff', '#20242b', '#757575', '#c0392b', '#ffd34d'];

        return new WordsLook(
            self::maybe() ? WordsSize::cases()[mt_rand(0, 4)] : null,
            self::maybe() ? Face::cases()[mt_rand(0, 5)] : null,
            self::maybe() ? $colours[mt_rand(0, 4)] : null,
            Backing::cases()[mt_rand(0, 4)],
        );
    }

    public static function picture(int $width = 2400, int $height = 1350): Picture
    {
        return new Picture('p', 'p.jpg', $width, $height, new Source('The mill', 'Ann', 'https://example.org/mill', 'CC BY 4.0'));
    }

    public static function moving(int $frames, ?float $loudness = null, string $id = 'p', int $width = 1920, int $height = 1080): Picture
    {
        return new Picture(
            $id,
            "{$id}.mp4",
            $width,
            $height,
            clip: new Clip($frames, $loudness, null === $loudness ? null : $loudness + 3),
        );
    }

    public static function matters(Frame ...$faces): Matters
    {
        $figures = static fn(): array => array_map(static fn(): int => mt_rand(0, 15), range(1, Matters::PARTS));

        return new Matters(array_values($faces), $figures(), $figures());
    }

    /** A story of any kind, with all that a document can say, the same for the same seed. */
    public static function random(int $seed): Story
    {
        mt_srand($seed);
        $assets = $slides = $beds = [];
        foreach ([[2400, 1350], [1350, 2400], [900, 900], [500, 300], [6000, 900]] as $i => [$width, $height]) {
            $source = self::maybe() ? new Source(
                "Title {$i}",
                "Author {$i}",
                self::maybe() ? "https://example.org/{$i}/" : '',
                self::maybe() ? 'CC0' : '',
            ) : new Source();
            $assets["p{$i}"] = new Picture("p{$i}", "{$i}.jpg", $width, $height, $source, matters: self::maybe() ? self::matters() : null);
        }
        // One of them moves.
        $assets['p0'] = self::moving(mt_rand(20, 400), self::maybe() ? -24.0 : null, 'p0');
        $assets['m'] = new Music('m', 'm.mp3', mt_rand(
            96_000,
            9_600_000,
        ), self::maybe() ? -20.0 : null, self::maybe() ? -17.0 : null, -3.0, self::maybe() ? new Source('Tune', 'Ann') : new Source());
        for ($i = 0, $count = mt_rand(1, 12); $i < $count; ++$i) {
            $spans = [];
            if (self::maybe()) {
                $assets["t{$i}"] = $voice = self::randomVoice("t{$i}");
                $spans = self::randomSpans($voice);
            }
            $slides[] = self::randomSlide("s{$i}", $spans);
        }
        for ($i = mt_rand(0, 3); $i > 0; --$i) {
            $from = mt_rand(0, \count($slides) - 1);
            $beds[] = new Bed("b{$i}", 'm', self::maybe() ? "s{$from}" : null, self::maybe() ? 's' . mt_rand(
                $from,
                \count($slides) - 1,
            ) : null, mt_rand(-6, 40), mt_rand(0, 40) / 2, mt_rand(0, 40) / 2, mt_rand(0, 10), self::maybe(), self::maybe());
        }
        $captions = self::maybe(4) ? array_map(
            static fn(int $n): TimedCaption => new TimedCaption($n * 2000, $n * 2000 + mt_rand(1, 1900), "Caption {$n}"),
            range(0, mt_rand(1, 20)),
        ) : null;

        return new Story(
            'A story',
            $slides,
            $assets,
            ['en', 'de', 'ar', 'ja', 'pt-BR'][mt_rand(0, 4)],
            Shape::cases()[mt_rand(0, 3)],
            new Style(self::randomTransition(), StyleName::cases()[mt_rand(0, 7)], self::maybe() ? new OwnScheme() : new OwnScheme(Face::cases()[mt_rand(0, 5)], null, '#757575', null, '#c0392b', '#777777', self::maybe() ? CreditsWay::Roll : null, self::maybe() ? array_key_first(array_filter($assets, static fn(Asset $asset): bool => $asset instanceof Picture)) : null)),
            self::maybe(),
            $beds,
            $captions,
        );
    }

    /** @param list<Span> $spans */
    private static function randomSlide(string $id, array $spans): Slide
    {
        $words = ['', 'A fact', 'المد والجزر', '潮汐の水車', "Two\nlines", str_repeat('A long caption that says too much. ', 7), '👩‍👩‍👧 came'];
        $comes = self::maybe(3) ? mt_rand(0, 40) / 10 : null;
        $goes = self::maybe(3) ? mt_rand(10, 90) / 10 : null;
        $layers = self::maybe(5)
            ? [
                new WordsLayer('title', WordsRole::Title, self::maybe() ? 'A heading' : ''),
                ...(self::maybe()
                    ? [new WordsLayer('subtitle', WordsRole::Subtitle, 'A subtitle', presence: self::randomPresence($comes, $goes), look: self::randomLook())]
                    : []),
            ]
            : [
                new PictureLayer(
                    'picture',
                    $picture = 'p' . mt_rand(0, 4),
                    new Recipe(90 * mt_rand(0, 3), crop: self::maybe(3) ? new Frame(0.1, 0.2, 0.5, 0.75) : null),
                    Fit::cases()[mt_rand(0, 2)],
                    self::randomFraming(),
                    part: 'p0' === $picture && self::maybe() ? self::randomPart() : null,
                ),
                new WordsLayer(
                    'caption',
                    [WordsRole::Caption, WordsRole::Label, WordsRole::Quotation][mt_rand(0, 2)],
                    $words[mt_rand(0, \count($words) - 1)],
                    [null, ...Spot::cases()][mt_rand(0, 9)],
                    self::randomPresence($comes, $goes),
                    self::randomLook(),
                    self::maybe(4) ? 'Whose it is' : '',
                    self::randomPlace(),
                    self::maybe() ? null : new Point(mt_rand(0, 10) / 10, mt_rand(0, 10) / 10),
                    self::maybe(4),
                ),
            ];
        if (self::maybe(4)) {
            $layers[] = new IconLayer('icon', [...array_column(IconName::cases(), 'value'), 'sailboat', 'bird'][mt_rand(0, 7)], IconColour::cases()[mt_rand(0, 5)], Spot::cases()[mt_rand(0, 8)], mt_rand(1, 16) / 20, self::randomPresence($goes, $comes)->plain(), asset: self::maybe(3) ? 'p' . mt_rand(1, 4) : null);
        }

        $slide = new Slide(
            $id,
            $layers[0] instanceof PictureLayer ? Layout::Full : Layout::Title,
            $layers,
            str_repeat('The wheel turns. ', mt_rand(0, 9)),
            $spans,
            self::maybe() ? null : mt_rand(1, 60) / 2,
            self::maybe() ? null : self::randomTransition(),
            drift: self::maybe(3) ? new Drift(DriftKind::cases()[mt_rand(0, 3)], Way::cases()[mt_rand(0, 7)], Strength::cases()[mt_rand(0, 2)]) : null,
        );

        return Layout::Full === $slide->layout && self::maybe() ? self::randomCells($slide) : $slide;
    }

    /** The same slide laid out in cells, some of which nothing lies in. */
    private static function randomCells(Slide $slide): Slide
    {
        $layouts = array_values(array_filter(Layout::cases(), static fn(Layout $layout): bool => $layout->cells() > 0));
        $slide = Arrange::arranged($slide, $layouts[mt_rand(0, 5)] ?? Layout::Beside)->with(
            sequence: Sequence::cases()[mt_rand(0, 2)],
        );
        foreach ($slide->emptyCells() as $cell) {
            $slide = match (mt_rand(0, 3)) {
                0 => $slide->withLayer((new WordsLayer("words{$cell}", WordsRole::Quotation, 'When the moon pulls, we grind.', by: 'The miller'))->inCell($cell)),
                1 => $slide->withLayer((new IconLayer("icon{$cell}"))->inCell($cell)),
                2 => $slide->withLayer(new PictureLayer("picture{$cell}", 'p' . mt_rand(0, 4), framing: self::randomFraming(), cell: $cell)),
                default => $slide,
            };
        }

        return $slide;
    }

    private static function randomPresence(?float $comes, ?float $goes): Presence
    {
        $moment = static fn(?float $second): ?Moment => match (true) {
            null === $second => null,
            self::maybe(4) => Moment::atWord(mt_rand(0, 12)),
            default => Moment::atSecond($second),
        };

        return new Presence($moment($comes), $moment($goes), Entrance::cases()[mt_rand(0, 3)]);
    }

    public static function randomPlace(): OwnPlace
    {
        return new OwnPlace(
            self::maybe() ? null : new Point(mt_rand(0, 10) / 10, mt_rand(0, 10) / 10),
            self::maybe() ? null : mt_rand(3, 20) / 20,
            [null, ...Align::cases()][mt_rand(0, 3)],
        );
    }

    private static function randomFraming(): Framing
    {
        $motion = Motion::cases()[mt_rand(0, 2)];
        $frame = static function (): Frame {
            $width = mt_rand(2, 10) / 10;
            $height = mt_rand(2, 10) / 10;

            return new Frame(
                mt_rand(0, (int) round(10 * (1 - $width))) / 10,
                mt_rand(0, (int) round(10 * (1 - $height))) / 10,
                $width,
                $height,
            );
        };

        $stops = [];
        for ($i = self::maybe() ? 0 : mt_rand(1, 6); $i > 0; --$i) {
            $stops[] = self::maybe() ? Stop::atWord($frame(), mt_rand(0, 40)) : Stop::atSecond($frame(), mt_rand(0, 120) / 10);
        }

        return Motion::Set === $motion ? new Framing($motion, $frame(), $frame(), $stops) : new Framing($motion);
    }

    private static function randomPart(): Part
    {
        $from = mt_rand(0, 10);

        return new Part(
            $from,
            self::maybe() ? null : $from + mt_rand(1, 10),
            mt_rand(-40, 12),
            self::maybe(3),
            Lasts::cases()[mt_rand(0, 1)],
        );
    }

    private static function randomTransition(): Transition
    {
        return new Transition(TransitionKind::cases()[mt_rand(0, \count(TransitionKind::cases()) - 1)], mt_rand(1, 30) / 10);
    }

    private static function randomVoice(string $id): Voice
    {
        $samples = mt_rand(4_800, 960_000);
        $from = mt_rand(0, intdiv($samples, 3));
        $to = mt_rand($samples - intdiv($samples, 3), $samples);
        $third = intdiv($to - $from, 3);

        return new Voice(
            $id,
            "{$id}.wav",
            $samples,
            $from,
            $to,
            self::maybe(5) ? null : -20.0,
            -3.0,
            self::maybe() ? 30.0 : null,
            self::maybe(5),
            self::maybe() ? [[$from + $third, $from + $third + max(20, intdiv($third, 2))]] : [],
            repeats: 0 === $samples % 2 ? [[$from, $from + $third + 1]] : [],
            cleaned: 0 === $samples % 3 ? 7.5 : 0.0,
            breaths: 0 === $samples % 5 ? [[$from + $third, $from + $third + 900]] : [],
            clicks: 0 === $samples % 5 ? [[$from + $third + 960, $from + $third + 1440]] : [],
        );
    }

    /** @return list<Span> all of it, without its silence, or with a stretch cut out of the middle */
    private static function randomSpans(Voice $voice): array
    {
        $third = intdiv($voice->to - $voice->from, 3);

        return match (mt_rand(0, 2)) {
            0 => [new Span($voice->id, 0, $voice->samples)],
            1 => [new Span($voice->id, $voice->from, $voice->to)],
            default => [new Span($voice->id, $voice->from, $voice->from + $third), new Span($voice->id, $voice->to - $third, $voice->to)],
        };
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
