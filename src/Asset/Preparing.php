<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Shared\DiskFull;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Message\Message;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Prepare\ClipKind;
use Rhapsode\Studio\Prepare\ClipPreparer;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\MeasuredPicture;
use Rhapsode\Studio\Prepare\MusicPreparer;
use Rhapsode\Studio\Prepare\PreparedClip;
use Rhapsode\Studio\Prepare\PreparedPicture;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Prepare\SoundReader;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;

use function Symfony\Component\Clock\now;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Makes one thing ready that has come in whole: measured, its renditions in the store. */
final readonly class Preparing
{
    /** Points of a waveform as it is drawn. */
    private const DRAWN = 240;
    /** Of a recording that is longer than so many tenths of a second, one point for so many of them: it may be divided by hand. */
    private const LONG = 9000;
    private const CLOSELY = 5;
    /** For how long one is as good as another: what makes them ready learns, too. */
    private const LATELY = '-30 days';

    public function __construct(
        private EntityManagerInterface $entities,
        private Store $store,
        private AssetFiles $files,
        #[Autowire('%kernel.project_dir%')]
        private string $projectFolder,
    ) {}

    /**
     * @return Asset|string what it became; the text of a file of captions
     *
     * @throws Unreadable
     */
    public function prepare(AssetRecord $asset): Asset|string
    {
        $scratch = new Scratch();
        $path = $this->whole($asset, $scratch);

        return match ($asset->kind) {
            Arriving::Picture, Arriving::Clip => $this->shown($asset, $path, $scratch),
            Arriving::Voice => $this->voice($asset, $path, $scratch),
            Arriving::Music => $this->music($asset, $path, $scratch),
            Arriving::Captions => CaptionFile::text((string) file_get_contents($path, length: CaptionFile::MOST_BYTES + 1)),
        };
    }

    /** Its parts, put together. */
    private function whole(AssetRecord $asset, Scratch $scratch): string
    {
        $path = $scratch->path('whole');
        if (null !== $asset->taken) {
            ClipPreparer::still($this->store->near(AssetFiles::clip($asset->taken['asset'])), $asset->taken['frame'], $path);

            return $path;
        }
        $whole = fopen($path, 'w') ?: throw new DiskFull();
        foreach ($this->entities->getRepository(AssetPart::class)->findBy(['asset' => $asset], ['number' => 'ASC']) as $part) {
            $from = fopen(
                $this->store->near($this->store->has($part->key()) ? $part->key() : $part->earlierKey()),
                'r',
            ) ?: throw new \RuntimeException('A part is missing.');
            if (false === stream_copy_to_stream($from, $whole)) {
                throw new DiskFull();
            }
            fclose($from);
        }
        fclose($whole);

        return $path;
    }

    /** Whether it moves, its bytes tell, whatever it was sent as. */
    private function shown(AssetRecord $asset, string $path, Scratch $scratch): Picture
    {
        $asset->hash = (string) hash_file('sha256', $path);
        $same = $this->same($asset);
        $known = $same?->asset();
        if (null !== $same && $known instanceof Picture) {
            $asset->same = $same->id;
            // It has no files of its own: nothing may be had from it.
            $asset->hash = null;

            return $known;
        }
        $twin = $this->asTwin($asset);
        if (null !== $twin) {
            return $twin;
        }
        mkdir($scratch->path('made'));
        $moves = null !== ClipKind::of((string) file_get_contents($path, length: 64));

        return $moves ? $this->clip($asset, $path, $scratch->path('made')) : $this->picture($asset, $path, $scratch->path('made'));
    }

    private function picture(AssetRecord $asset, string $path, string $made): Picture
    {
        $measured = $this->sandboxed($path, $made);
        $this->files->keep((string) $asset->id, $made, [...PreparedPicture::files($measured->flag('transparent')), $measured->text('original', 40)]);

        return $this->measured($asset, $made, new PreparedPicture(
            $measured->whole('width', 1, 1_000_000),
            $measured->whole('height', 1, 1_000_000),
            '',
            Source::in($measured),
            $measured->text('description', Limits::WORDS),
            $measured->flag('transparent'),
        ));
    }

    /** It takes long: how far it is, is told as it goes. */
    private function clip(AssetRecord $asset, string $path, string $made): Picture
    {
        $id = (string) $asset->id;
        $prepared = (new ClipPreparer())->prepare($path, $made, fn(float $share) => $this->tell($asset, (int) (100 * $share)), true);
        $this->files->keep($id, $made, PreparedPicture::ALL);
        foreach ([PreparedClip::FULL, PreparedClip::LIGHT, PreparedClip::STRIP, $prepared->original] as $file) {
            $this->store->once(AssetFiles::clip($id, $file), static fn(string $to): bool => copy("{$made}/{$file}", $to));
        }
        foreach (null === $prepared->clip->loudness ? [] : [MeasuredMusic::FULL, MeasuredMusic::LIGHT] as $file) {
            $this->store->once(AssetFiles::music($id, $file), static fn(string $to): bool => copy("{$made}/{$file}", $to));
        }

        return $this->measured($asset, $made, $prepared->poster, $prepared);
    }

    /** Beside the entity, which is written when all is done. */
    private function tell(AssetRecord $asset, int $progress): void
    {
        if ($progress !== $asset->progress) {
            $asset->progress = $progress;
            $this->entities->getConnection()->executeStatement(
                'UPDATE asset SET progress = ? WHERE id = ?',
                [$progress, (string) $asset->id],
            );
        }
    }

    private function measured(AssetRecord $asset, string $made, PreparedPicture $picture, ?PreparedClip $clip = null): Picture
    {
        $found = MeasuredPicture::of($made . '/' . PreparedPicture::THUMB);

        return new Picture(
            (string) $asset->id,
            $asset->file,
            $picture->width,
            $picture->height,
            $clip->source ?? $picture->source,
            $clip->description ?? $picture->description,
            $found->matters,
            $found->unbordered,
            $found->isSoft,
            $clip?->clip,
            $found->sideways,
            $picture->transparent,
        );
    }

    /** Another of the same place that is the very same file. */
    private function same(AssetRecord $asset): ?AssetRecord
    {
        return $this->entities->getRepository(AssetRecord::class)->findOneBy(
            ['place' => $asset->place, 'hash' => $asset->hash, 'state' => AssetState::Ready, 'same' => null],
            ['id' => 'ASC'],
        );
    }

    /**
     * As the very same file that somebody of the school brought in lately, for whatever story: of thirty who have a picture from their
     * teacher the first waits for it, and it lies on the disk once.
     */
    private function asTwin(AssetRecord $asset): ?Picture
    {
        /** @var AssetRecord|null $twin */
        $twin = $this->entities->createQueryBuilder()->select('a')->from(AssetRecord::class, 'a')->join('a.owner', 'o')
            ->where('a.hash = :hash')->andWhere('a.state = :ready')->andWhere('a.same IS NULL')->andWhere('o.school = :school')->andWhere('a.begunAt > :lately')
            ->setParameter('hash', $asset->hash)->setParameter('ready', AssetState::Ready->value)
            ->setParameter('school', $asset->owner->school->id, 'uuid')->setParameter('lately', now(self::LATELY))
            ->orderBy('a.id', 'DESC')->setMaxResults(1)->getQuery()->getOneOrNullResult();
        if (!$twin?->asset() instanceof Picture) {
            return null;
        }
        [$from, $id] = [(string) $twin->id, (string) $asset->id];
        foreach (array_combine(AssetFiles::folders($from), AssetFiles::folders($id)) as $its => $own) {
            $this->store->copyFolder($its, $own);
        }
        $picture = Picture::read($id, Fields::of(['file' => $asset->file] + $twin->measured));
        // It may have gone meanwhile, and some of its files with it.
        foreach (PreparedPicture::files($picture->transparent) as $file) {
            if (!$this->store->has(AssetFiles::picture($id, $file))) {
                return null;
            }
        }

        return $picture;
    }

    /**
     * In a process of its own, under limits of time and memory: what is hostile or too much ends that process only.
     *
     * @throws Unreadable
     */
    private function sandboxed(string $path, string $folder): Fields
    {
        try {
            [$said] = Tool::run([\PHP_BINDIR . '/php', $this->projectFolder . '/bin/rhapsode', 'prepare', $path, $folder], 120, 3500);
            $answer = Fields::of(json_decode($said, true, 6));
        } catch (ToolFailed $problem) {
            throw new Unreadable('picture.too-odd', previous: $problem);
        }
        $problem = Message::read($answer->raw('problem'));
        if (null !== $problem) {
            throw new Unreadable($problem);
        }

        return $answer;
    }

    private function voice(AssetRecord $asset, string $path, Scratch $scratch): Asset
    {
        $new = $scratch->path('take.flac');
        $untouched = $scratch->path('untouched.flac');
        $measured = (new SoundPreparer())->prepare($path, $new, $untouched);
        SoundReader::original($path, $original = $scratch->path('original'));
        $this->store->once(
            AssetFiles::voice((string) $asset->id, AssetFiles::ORIGINAL),
            static fn(string $to): bool => copy($original, $to),
        );
        if ($measured->cleaned > 0.0) {
            $this->store->once(AssetFiles::voice((string) $asset->id, AssetFiles::UNTOUCHED), static fn(string $to): bool => copy($untouched, $to));
        }
        $this->store->once(AssetFiles::voice((string) $asset->id), static fn(string $to): bool => copy($new, $to));
        $tenths = \count($measured->peaks);
        $asset->peaks = array_map(
            static fn(array $part): float => max([0.0, ...$part]),
            array_chunk($measured->peaks, $tenths > self::LONG ? self::CLOSELY : max(1, (int) ceil($tenths / self::DRAWN))),
        );

        return $measured->voice((string) $asset->id, $asset->file);
    }

    private function music(AssetRecord $asset, string $path, Scratch $scratch): Asset
    {
        mkdir($scratch->path('made'));
        $measured = (new MusicPreparer())->prepare($path, $scratch->path('made'));
        foreach ([MeasuredMusic::FULL, MeasuredMusic::LIGHT] as $file) {
            $this->store->once(
                AssetFiles::music((string) $asset->id, $file),
                static fn(string $to): bool => copy($scratch->path("made/{$file}"), $to),
            );
        }

        return $measured->music((string) $asset->id, $asset->file);
    }
}
