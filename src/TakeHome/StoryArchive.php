<?php

declare(strict_types=1);

namespace Rhapsode\App\TakeHome;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Captions\SubRip;
use Rhapsode\Core\Captions\Transcript;
use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Prepare\PreparedPicture;

/**
 * A story to take home: its film, what is said in it, and the story itself with all that it is made of, as a folder that
 * `bin/rhapsode` makes the film of again.
 */
final readonly class StoryArchive
{
    public const FOLDER = 'archives';

    public function __construct(private EntityManagerInterface $entities, private PlanMaker $plans, private Store $store) {}

    /** @return string its key in the store */
    public function of(StoryRecord $record): string
    {
        $film = $this->entities->getRepository(FilmRecord::class)->findOneBy(['story' => $record, 'state' => FilmState::Done], ['begunAt' => 'DESC', 'id' => 'DESC']);
        $folder = self::FOLDER . "/{$record->id}";
        $key = \sprintf('%s/%d-%s.zip', $folder, $record->revision, $film->id ?? 'no-film');
        // What it was before is packed no more: however often it is asked for, one lies there.
        $this->store->has($key) || $this->store->removeFolder($folder);
        $this->store->once($key, fn(string $new) => $this->write($record->story(), $film, new Archive($new)));

        return $key;
    }

    private function write(Story $story, ?FilmRecord $film, Archive $archive): void
    {
        $told = $story->toArray();
        $assets = [];
        foreach ($story->used() as $n => $asset) {
            $key = $this->key($asset);
            if (null === $key) {
                continue;
            }
            $name = $archive->name(\sprintf('%02d %s', $n + 1, pathinfo($asset->file, \PATHINFO_FILENAME)), pathinfo($key, \PATHINFO_EXTENSION));
            $archive->file("story/{$name}", $this->store->near($key));
            $assets[$asset->id] = ['file' => $name] + $asset->toArray();
        }
        $told['assets'] = [] === $assets ? new \stdClass() : $assets;
        $archive->text('story/story.json', json_encode($told, \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION | \JSON_THROW_ON_ERROR));
        // What is said is that of the film; where none is made, of the story as it is.
        $plan = $this->plans->plan(null === $film ? $story : $film->story());
        if (null !== $film) {
            $archive->file("film.{$film->container->value}", $this->store->near($film->video()));
        }
        if ([] !== $plan->cues) {
            $archive->text('captions.vtt', WebVtt::write($plan->cues, $plan->language));
            $archive->text('captions.srt', SubRip::write($plan->cues));
            $archive->text('transcript.txt', Transcript::write($plan->cues));
        }
        if ([] !== $plan->credits) {
            $archive->text('credits.txt', implode("\n", $plan->credits) . "\n");
        }
        $archive->close();
    }

    /** The best that there is of it; null where nothing of it lies in the store. */
    private function key(Asset $asset): ?string
    {
        $keys = match (true) {
            $asset instanceof Voice => [AssetFiles::voice($asset->id)],
            $asset instanceof Music => [AssetFiles::music($asset->id)],
            $asset instanceof Picture && null !== $asset->clip => [AssetFiles::clip($asset->id)],
            $asset instanceof Picture => array_map(
                static fn(string $file): string => AssetFiles::picture($asset->id, $file),
                [PreparedPicture::CUTOUT, PreparedPicture::MASTER, PreparedPicture::FULL],
            ),
            default => [],
        };

        return array_values(array_filter($keys, $this->store->has(...)))[0] ?? null;
    }
}
