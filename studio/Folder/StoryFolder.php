<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Folder;

use Rhapsode\Core\Shape\BadShape;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\FileOrder;
use Rhapsode\Core\Story\Music;
use Rhapsode\Core\Story\Picture;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Source;
use Rhapsode\Core\Story\Spoken;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Tool\Unreadable;

/**
 * Reads a story from a folder: from its story.json, or from what people have lying about.
 *
 * Pictures in natural order of their names; a sound of the same stem is that slide's narration, `STEM.txt` its script,
 * `STEM.caption.txt` the words on its picture; `title.txt` the title; `sources.csv` (file,title,author,source,licence)
 * the credits; `bed.mp3` (any sound format) the music under it; `captions.vtt` or `captions.srt` its captions.
 */
final readonly class StoryFolder
{
    private const PICTURES = ['jpg', 'jpeg', 'png', 'webp', 'heic', 'heif', 'avif', 'tif', 'tiff', 'gif'];
    private const SOUNDS = ['wav', 'mp3', 'm4a', 'mp4', 'ogg', 'oga', 'opus', 'flac', 'webm', 'weba', 'aac', 'aif', 'aiff'];

    public function __construct(private string $folder, private FolderMakings $makings) {}

    /** @throws Unreadable with the file's name before what is wrong with it */
    public function read(): Story
    {
        if (!is_dir($this->folder)) {
            throw new Unreadable('There is no such folder.');
        }

        return is_file($this->folder . '/story.json') ? $this->written() : $this->lyingAbout();
    }

    /** @return array<string, LightMap> */
    public function lights(Story $story): array
    {
        return array_map(fn(Picture $picture): LightMap => $this->makings->light($picture->id), $story->pictures);
    }

    private function written(): Story
    {
        try {
            $story = Story::fromJson($this->text('story.json'));
        } catch (BadShape $problem) {
            throw new Unreadable('story.json: ' . $problem->getMessage());
        }
        foreach ($story->pictures as $picture) {
            $this->named($picture->file, fn(string $path) => $this->makings->addPicture($picture->id, $path));
        }
        foreach ($story->takes as $take) {
            $this->named($take->file, fn(string $path) => $this->makings->addTake($take->id, $path));
        }

        foreach ($story->music as $music) {
            $this->named($music->file, fn(string $path) => $this->makings->addMusic($music->id, $path));
        }

        return $story;
    }

    private function lyingAbout(): Story
    {
        $names = FileOrder::sorted(array_values(array_filter(scandir($this->folder) ?: [], fn(string $name): bool => '.' !== $name[0] && is_file($this->folder . '/' . $name))));
        $sounds = [];
        foreach ($this->ending($names, self::SOUNDS) as $name) {
            $sounds[pathinfo($name, \PATHINFO_FILENAME)] ??= $name;
        }
        $sources = $this->sources();
        $title = trim($this->text('title.txt'));
        $slides = '' === $title ? [] : [new Slide('title', SlideKind::Title)];
        $pictures = $takes = [];
        foreach ($this->ending($names, self::PICTURES) as $name) {
            $id = 'p' . substr(hash('sha256', $name), 0, 16);
            $stem = pathinfo($name, \PATHINFO_FILENAME);
            $prepared = $this->named($name, fn(string $path) => $this->makings->addPicture($id, $path));
            $pictures[$id] = new Picture($id, $name, $prepared->width, $prepared->height, $sources[$name] ?? new Source());
            $take = null;
            if (isset($sounds[$stem])) {
                $take = 't' . substr($id, 1);
                $measured = $this->named($sounds[$stem], fn(string $path) => $this->makings->addTake($take, $path));
                $takes[$take] = $measured->take($take, $sounds[$stem]);
            }
            $slides[] = new Slide(
                's' . substr($id, 1),
                picture: $id,
                caption: new Caption(mb_substr(trim($this->text($stem . '.caption.txt')), 0, Caption::MAX)),
                script: trim($this->text($stem . '.txt')),
                take: $take,
            );
        }
        if ([] === $pictures) {
            throw new Unreadable('The folder holds no pictures.');
        }

        [$music, $beds] = $this->bed($sounds, $sources, $names);

        return new Story(
            '' === $title ? basename((string) realpath($this->folder)) : mb_substr(strtok($title, "\n") ?: $title, 0, 120),
            $slides,
            $pictures,
            $takes,
            music: $music,
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
        if (null === $file || \in_array('bed', array_map(static fn(string $name): string => pathinfo($name, \PATHINFO_FILENAME), $this->ending($names, self::PICTURES)), true)) {
            return [[], []];
        }
        $music = $this->named($file, fn(string $path) => $this->makings->addMusic('bed', $path))->music('bed', $file, $sources[$file] ?? new Source());

        return [['bed' => $music], [new Bed('bed', 'bed')]];
    }

    /**
     * @param list<string> $names
     *
     * @return list<Spoken>|null
     */
    private function captions(array $names): ?array
    {
        foreach (['captions.vtt', 'captions.srt'] as $name) {
            if (\in_array($name, $names, true)) {
                return $this->named($name, static fn(string $path): array => CaptionFile::read((string) file_get_contents($path, length: CaptionFile::MOST_BYTES + 1)));
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
            throw new Unreadable("“{$name}” is not in the folder.");
        }
        try {
            return $use($path);
        } catch (Unreadable $problem) {
            throw new Unreadable($name . ': ' . $problem->getMessage());
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
        $columns = array_flip(array_map(static fn(?string $name): string => strtolower(trim((string) $name, "\xEF\xBB\xBF ")), fgetcsv($file, escape: '') ?: []));
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
        return array_values(array_filter($names, static fn(string $name): bool => \in_array(strtolower(pathinfo($name, \PATHINFO_EXTENSION)), $endings, true)));
    }
}
