<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Folder;

use Rhapsode\Core\Asset\Clip;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Picture\Form;
use Rhapsode\Core\Picture\Levels;
use Rhapsode\Core\Picture\Recipe;
use Rhapsode\Core\Picture\Rendition;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Words\LightMap;
use Rhapsode\Studio\Prepare\ClipPreparer;
use Rhapsode\Studio\Prepare\LevelsOf;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\MeasuredPicture;
use Rhapsode\Studio\Prepare\MeasuredSound;
use Rhapsode\Studio\Prepare\MusicPreparer;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\PreparedClip;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Prepare\WholePicture;
use Rhapsode\Studio\Render\Renditions;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\Filesystem\Filesystem;

/** Renditions kept in one folder by what they hold: prepared once, however often and for whatever story they are asked for. */
final class FolderRenditions implements Renditions
{
    /** Raised when preparing gives other results. */
    private const VERSION = '3';

    private readonly Filesystem $files;

    /** @var array<string, string> hash of the file by take or picture id */
    private array $known = [];

    public function __construct(private readonly string $kept)
    {
        $this->files = new Filesystem();
        $this->files->mkdir([$kept, $kept . '/segments']);
    }

    public function folder(): string
    {
        return $this->kept;
    }

    public function segments(): string
    {
        return $this->kept . '/segments';
    }

    /** @throws Unreadable */
    public function addPicture(string $id, string $path): PreparedPicture
    {
        $folder = $this->folderOf('picture', $id, $path);
        if (!is_file($folder . '/size.json')) {
            $prepared = $this->made($folder, static fn(string $new): PreparedPicture => (new PicturePreparer())->prepare($path, $new));
            file_put_contents(
                $folder . '/size.json',
                json_encode(['width' => $prepared->width, 'height' => $prepared->height, 'transparent' => $prepared->transparent], \JSON_THROW_ON_ERROR),
            );
        }
        /** @var array{width: int, height: int, transparent?: bool} $size as written above */
        $size = json_decode((string) file_get_contents($folder . '/size.json'), true, 4, \JSON_THROW_ON_ERROR);

        return new PreparedPicture($size['width'], $size['height'], transparent: $size['transparent'] ?? false);
    }

    /** @throws Unreadable */
    public function addClip(string $id, string $path): PreparedClip
    {
        $folder = $this->known['picture:' . $id] = $this->known['music:' . $id] = $this->folderOf('clip', $id, $path);
        if (!is_file($folder . '/clip.json')) {
            $made = $this->made($folder, static fn(string $new): PreparedClip => (new ClipPreparer())->prepare($path, $new));
            file_put_contents($folder . '/clip.json', json_encode(
                ['width' => $made->poster->width, 'height' => $made->poster->height, 'clip' => $made->clip->toArray()],
                \JSON_THROW_ON_ERROR,
            ));
        }
        $known = Fields::of(json_decode((string) file_get_contents($folder . '/clip.json'), true));

        return new PreparedClip(
            new PreparedPicture($known->whole('width', 1, 100_000), $known->whole('height', 1, 100_000)),
            Clip::read($known->object('clip')),
        );
    }

    /** @throws Unreadable */
    public function addTake(string $id, string $path): MeasuredSound
    {
        $folder = $this->folderOf('take', $id, $path);
        if (!is_file($folder . '/measured.json')) {
            $measured = $this->made(
                $folder,
                static fn(string $new): MeasuredSound => (new SoundPreparer())->prepare($path, $new . '/take.flac', $new . '/untouched.flac'),
            );
            file_put_contents($folder . '/measured.json', json_encode($measured, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
        }
        /** @var array{samples: int, from: int, to: int, loudness: float|null, peak: float, noise: float|null, clipped: bool, pauses: list<array{int, int}>, peaks: list<float>, cleaned: float, repeats?: list<array{int, int}>, breaths?: list<array{int, int}>, clicks?: list<array{int, int}>} $m as written above */
        $m = json_decode((string) file_get_contents($folder . '/measured.json'), true, 8, \JSON_THROW_ON_ERROR);

        return new MeasuredSound(
            $m['samples'],
            $m['from'],
            $m['to'],
            $m['loudness'],
            $m['peak'],
            $m['noise'],
            $m['clipped'],
            $m['pauses'],
            $m['peaks'],
            $m['cleaned'],
            $m['repeats'] ?? [],
            $m['breaths'] ?? [],
            $m['clicks'] ?? [],
        );
    }

    /** @throws Unreadable */
    public function addMusic(string $id, string $path): MeasuredMusic
    {
        $folder = $this->folderOf('music', $id, $path);
        if (!is_file($folder . '/measured.json')) {
            $measured = $this->made($folder, static fn(string $new): MeasuredMusic => (new MusicPreparer())->prepare($path, $new));
            file_put_contents($folder . '/measured.json', json_encode($measured, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
        }
        /** @var array{samples: int, loudness: float|null, loudest: float|null, peak: float} $m as written above */
        $m = json_decode((string) file_get_contents($folder . '/measured.json'), true, 8, \JSON_THROW_ON_ERROR);

        return new MeasuredMusic($m['samples'], $m['loudness'], $m['loudest'], $m['peak']);
    }

    /** What is measured of a picture that was added, once. */
    public function measured(string $id): MeasuredPicture
    {
        $folder = $this->known['picture:' . $id];
        $kept = $this->once($folder . '/measured.json', static fn(string $new) => file_put_contents(
            $new,
            json_encode(MeasuredPicture::of($folder . '/' . PreparedPicture::THUMB)->toArray(), \JSON_THROW_ON_ERROR),
        ));

        return MeasuredPicture::read(Fields::of(json_decode((string) file_get_contents($kept), true)));
    }

    public function content(string $asset): string
    {
        // Of one id there is one kind; a clip is known as a picture, and as what is heard.
        $folder = $this->known["picture:{$asset}"] ?? $this->known["take:{$asset}"] ?? $this->known["music:{$asset}"] ?? $asset;

        return basename($folder);
    }

    public function light(string $id, Recipe $recipe): LightMap
    {
        return new LightMap((string) file_get_contents($this->followed($id, $recipe, PreparedPicture::LIGHT)));
    }

    public function picture(Rendition $rendition, Shape $shape): string
    {
        $full = $this->followed($rendition->asset, $rendition->recipe, PreparedPicture::FULL);
        if (Form::Full === $rendition->form) {
            return $full;
        }
        $whole = \dirname($full) . '/' . $rendition->name() . '-' . str_replace(':', 'x', $shape->value) . '.jpg';

        return $this->once($whole, static fn(string $new) => WholePicture::make($full, $new, $shape, colour: $rendition->ground));
    }

    public function file(string $asset, string $name): string
    {
        return $this->known['picture:' . $asset] . '/' . $name;
    }

    public function clip(string $asset): string
    {
        return $this->known['clip:' . $asset] . '/' . PreparedClip::FULL;
    }

    public function levels(string $asset): Levels
    {
        return LevelsOf::picture($this->known['picture:' . $asset] . '/' . PreparedPicture::THUMB);
    }

    public function sound(Play $play): string
    {
        return match (true) {
            Bus::Voice !== $play->bus => $this->known['music:' . $play->asset] . '/' . MeasuredMusic::FULL,
            $play->untouched => $this->known['take:' . $play->asset] . '/untouched.flac',
            default => $this->voice($play->asset),
        };
    }

    /** A take as it was prepared. */
    public function voice(string $id): string
    {
        return $this->known['take:' . $id] . '/take.flac';
    }

    public function drawing(string $name, \Closure $draw): string
    {
        return $this->once("{$this->kept}/words-{$name}.png", $draw);
    }

    private function followed(string $id, Recipe $recipe, string $file): string
    {
        $folder = $this->known['picture:' . $id];
        $path = $folder . '/' . PreparedPicture::following($file, $recipe);
        if (!is_file($path)) {
            $levels = $recipe->tone->clear ? $this->levels($id) : null;
            (new PicturePreparer())->follow($file, $recipe, $folder . '/' . PreparedPicture::MASTER, $folder, $levels);
        }

        return $path;
    }

    private function folderOf(string $kind, string $id, string $path): string
    {
        return $this->known[$kind . ':' . $id] = $this->kept . '/' . $kind . '-' . substr(
            hash('sha256', self::VERSION . hash_file('sha256', $path)),
            0,
            32,
        );
    }

    /**
     * @template T
     *
     * @param \Closure(string): T $make
     *
     * @return T
     */
    private function made(string $folder, \Closure $make): mixed
    {
        $this->files->mkdir($folder);
        try {
            return $make($folder);
        } catch (Unreadable $problem) {
            $this->files->remove($folder);

            throw $problem;
        }
    }

    /** @param \Closure(string): mixed $make writes the file under another name, so that nobody meets half of it */
    private function once(string $path, \Closure $make): string
    {
        if (!is_file($path)) {
            $new = $path . '.' . bin2hex(random_bytes(4));
            $make($new);
            rename($new, $path);
        }

        return $path;
    }
}
