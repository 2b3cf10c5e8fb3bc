<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Folder;

use Rhapsode\Core\Asset\AssetKind;
use Rhapsode\Core\Asset\FileOrder;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Plan\LightsUnder;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\TimedCaption;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Prepare\ClipProbe;
use Rhapsode\Studio\Tool\Unreadable;

/**
 * Reads a story from a folder: from its story.json, or from what people have lying about.
 *
 * Pictures and clips in natural order of their names; a sound of the same stem is that slide's narration, `STEM.txt` its script,
 * `STEM.caption.txt` the words on its picture; `title.txt` the title; `sources.csv` (file,title,author,source,licence)
 * the credits; `bed.mp3` (any sound format) the music under it; `captions.vtt` or `captions.srt` its captions. `film.mp4` is what
 * was made of it.
 */
final readonly class StoryFolder
{
    private const PICTURES = ['jpg', 'jpeg', 'png', 'webp', 'heic', 'heif', 'avif', 'tif', 'tiff', 'gif'];
    /** Those of a picture's stem are its sound. */
    private const CLIPS = ['mp4', 'm4v', 'mov', 'webm', 'mkv', 'avi'];
    private const SOUNDS = ['wav', 'mp3', 'm4a', 'mp4', 'ogg', 'oga', 'opus', 'flac', 'webm', 'weba', 'aac', 'aif', 'aiff'];

    /** What a film that was made from a folder is called where nothing else is said, without its ending. */
    private const FILM = 'film';

    /** @param string $film where the film of it is made: once there, it is no part of the story */
    public function __construct(private string $folder, private FolderRenditions $renditions, private string $film = '') {}

    /** @throws Unreadable with the file's name before what is wrong with it */
    public function read(): Story
    {
        if (!is_dir($this->folder)) {
            throw new Unreadable('folder.missing');
        }

        return is_file($this->folder . '/story.json') ? $this->written() : $this->lyingAbout();
    }

    /** @return array<string, LightMap> by Rendition::lightKey() */
    public function lights(Story $story): array
    {
        return LightsUnder::of($story, fn(Rendition $rendition): LightMap => $this->renditions->light($rendition->asset, $rendition->recipe));
    }

    private function written(): Story
    {
        try {
            $story = Story::fromJson($this->text('story.json'));
        } catch (Malformed $problem) {
            throw new Unreadable('folder.file-problem', ['file' => 'story.json', 'problem' => $problem->said]);
        }
        foreach ($story->assets as $asset) {
            $this->named($asset->file, fn(string $path) => match ($asset->kind()) {
                AssetKind::Picture => $asset instanceof Picture && null !== $asset->clip
                    ? $this->renditions->addClip($asset->id, $path)
                    : $this->renditions->addPicture($asset->id, $path),
                AssetKind::Voice => $this->renditions->addTake($asset->id, $path),
                AssetKind::Music => $this->renditions->addMusic($asset->id, $path),
            });
        }

        return $story;
    }

    /** Measured, and ready to be shown. */
    private function picture(string $id, string $name, bool $moves, Source $source): Picture
    {
        $clip = $moves ? $this->named($name, fn(string $path) => $this->renditions->addClip($id, $path)) : null;
        $prepared = $clip->poster ?? $this->named($name, fn(string $path) => $this->renditions->addPicture($id, $path));
        $measured = $this->renditions->measured($id);

        return new Picture(
            $id,
            $name,
            $prepared->width,
            $prepared->height,
            $source,
            '',
            $measured->matters,
            $measured->unbordered,
            $measured->isSoft,
            $clip?->clip,
            $measured->sideways,
            $prepared->transparent,
        );
    }

    /**
     * Files that hold moving pictures, and are neither the voice of a picture that is there too nor the film of the story.
     *
     * @param list<string> $names
     *
     * @return list<string>
     */
    private function clips(array $names): array
    {
        $stem = static fn(string $name): string => pathinfo($name, \PATHINFO_FILENAME);
        $apart = [self::FILM, ...array_map($stem, $this->ending($names, self::PICTURES))];
        $film = realpath($this->film);

        return array_values(array_filter(
            $this->ending($names, self::CLIPS),
            fn(string $name): bool => !\in_array($stem($name), $apart, true)
                && realpath("{$this->folder}/{$name}") !== $film && !ClipProbe::isSound("{$this->folder}/{$name}"),
        ));
    }

    private function lyingAbout(): Story
    {
        $names = FileOrder::sorted(array_values(
            array_filter(scandir($this->folder) ?: [], fn(string $name): bool => '.' !== $name[0] && is_file($this->folder . '/' . $name)),
        ));
        $clips = $this->clips($names);
        $sounds = [];
        foreach (array_diff($this->ending($names, self::SOUNDS), $clips) as $name) {
            $sounds[pathinfo($name, \PATHINFO_FILENAME)] ??= $name;
        }
        $sources = $this->sources();
        $title = trim($this->text('title.txt'));
        $slides = '' === $title ? [] : [new Slide('title', Layout::Title, Layout::Title->usualLayers())];
        $assets = [];
        foreach (FileOrder::sorted([...$this->ending($names, self::PICTURES), ...$clips]) as $name) {
            $id = 'p' . substr(hash('sha256', $name), 0, 16);
            $stem = pathinfo($name, \PATHINFO_FILENAME);
            $assets[$id] = $this->picture($id, $name, \in_array($name, $clips, true), $sources[$name] ?? new Source());
            $voice = null;
            if (isset($sounds[$stem])) {
                $take = 't' . substr($id, 1);
                $sound = $this->named($sounds[$stem], fn(string $path) => $this->renditions->addTake($take, $path));
                $assets[$take] = $voice = $sound->voice($take, $sounds[$stem]);
            }
            $caption = mb_substr(trim($this->text($stem . '.caption.txt')), 0, Limits::WORDS);
            $slides[] = new Slide(
                's' . substr($id, 1),
                layers: [
                    new PictureLayer('picture', $id),
                    ...('' === $caption ? [] : [new WordsLayer('caption', WordsRole::Caption, $caption)]),
                ],
                script: trim($this->text($stem . '.txt')),
                voice: null === $voice ? [] : [new Span($voice->id, $voice->from, $voice->to)],
            );
        }
        if ([] === $assets) {
            throw new Unreadable('folder.no-pictures');
        }

        [$music, $beds] = $this->bed($sounds, $sources, $names);

        return new Story(
            '' === $title ? basename((string) realpath($this->folder)) : mb_substr(strtok($title, "\n") ?: $title, 0, Limits::TITLE),
            $slides,
            $assets + $music,
            beds: $beds,
            captions: $this->captions($names),
        );
    }

    /**
     * A sound called "bed" is the bed, unless a picture of that name speaks with it.
     *
     * @param array<string, string> $sounds  file names by stem
     * @param array<string, Source> $sources
     * @param list<string>          $names
     *
     * @return array{array<string, Music>, list<Bed>}
     */
    private function bed(array $sounds, array $sources, array $names): array
    {
        $file = $sounds['bed'] ?? null;
        if (null === $file || \in_array(
            'bed',
            array_map(static fn(string $name): string => pathinfo($name, \PATHINFO_FILENAME), $this->ending($names, self::PICTURES)),
            true,
        )) {
            return [[], []];
        }
        $music = $this->named($file, fn(string $path) => $this->renditions->addMusic('bed', $path))->music(
            'bed',
            $file,
            $sources[$file] ?? new Source(),
        );

        return [['bed' => $music], [new Bed('bed', 'bed')]];
    }

    /**
     * @param list<string> $names
     *
     * @return list<TimedCaption>|null
     */
    private function captions(array $names): ?array
    {
        foreach (['captions.vtt', 'captions.srt'] as $name) {
            if (\in_array($name, $names, true)) {
                return $this->named($name, static fn(string $path): array => CaptionFile::read(
                    (string) file_get_contents($path, length: CaptionFile::MOST_BYTES + 1),
                ));
            }
        }

        return null;
    }

    /**
     * @template T
     *
     * @param \Closure(string): T $use
     *
     * @return T
     */
    private function named(string $name, \Closure $use): mixed
    {
        $path = $this->folder . '/' . $name;
        // A name in a document leads nowhere but into its folder.
        if (basename($name) !== $name || !is_file($path)) {
            throw new Unreadable('folder.file-missing', ['file' => $name]);
        }
        try {
            return $use($path);
        } catch (Unreadable $problem) {
            throw new Unreadable('folder.file-problem', ['file' => $name, 'problem' => $problem->said]);
        }
    }

    private function text(string $name): string
    {
        $path = $this->folder . '/' . $name;
        $text = is_file($path) ? (string) file_get_contents($path, length: 4_000_000) : '';
        if (!mb_check_encoding($text, 'UTF-8')) {
            $text = mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }

        return str_replace(["\xEF\xBB\xBF", "\r\n", "\r"], ['', "\n", "\n"], $text);
    }

    /** @return array<string, Source> by file name */
    private function sources(): array
    {
        $path = $this->folder . '/sources.csv';
        $file = is_file($path) ? fopen($path, 'r') : false;
        if (false === $file) {
            return [];
        }
        $sources = [];
        $columns = array_flip(array_map(
            static fn(?string $name): string => strtolower(trim((string) $name, "\xEF\xBB\xBF ")),
            fgetcsv($file, escape: '') ?: [],
        ));
        while (\is_array($row = fgetcsv($file, escape: ''))) {
            $cell = static fn(string $column): string => trim((string) ($row[$columns[$column] ?? -1] ?? ''));
            $sources[$cell('file')] = new Source($cell('title'), $cell('author'), $cell('source'), $cell('licence'));
        }
        fclose($file);

        return $sources;
    }

    /**
     * @param list<string> $names
     * @param list<string> $endings
     *
     * @return list<string>
     */
    private function ending(array $names, array $endings): array
    {
        return array_values(array_filter(
            $names,
            static fn(string $name): bool => \in_array(strtolower(pathinfo($name, \PATHINFO_EXTENSION)), $endings, true),
        ));
    }
}
