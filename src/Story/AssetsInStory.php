<?php

declare(strict_types=1);

namespace Rhapsode\App\Story;

use Rhapsode\App\Asset\AssetPrepared;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Captions\Transcript;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\AddMusic;
use Rhapsode\Core\Edit\AddPicture;
use Rhapsode\Core\Edit\AddRunThrough;
use Rhapsode\Core\Edit\AddVoice;
use Rhapsode\Core\Edit\Around;
use Rhapsode\Core\Edit\Edit;
use Rhapsode\Core\Edit\PutBeside;
use Rhapsode\Core\Edit\SetCaptions;
use Rhapsode\Core\Edit\SetPicture;
use Rhapsode\Core\Pointing\Stroke;
use Rhapsode\Core\Sound\RecorderClock;
use Rhapsode\Core\Sound\Steps;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Captions\CaptionFile;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Uid\Uuid;

/** Puts what has come in, and is ready, into its story. */
#[AsEventListener]
final readonly class AssetsInStory
{
    public function __construct(private Stories $stories) {}

    /** @throws Refused|Unreadable */
    public function __invoke(AssetPrepared $event): void
    {
        if ($event->isPlaced) {
            return;
        }
        $record = $this->stories->find($event->record->place) ?? throw new Refused('edit.story-gone');
        $edit = $this->edit($event, $record->story());
        if (null !== $edit) {
            $this->stories->edit($record, [$edit], null, $event->record->owner);
        }
    }

    /** @return Edit|null null where the story has it already */
    private function edit(AssetPrepared $event, Story $story): ?Edit
    {
        $asset = $event->record;
        $made = $event->made instanceof Voice ? self::pointedAt($event->made, $asset) : $event->made;
        // A frame that is taken once more is meant for another slide.
        if (!\is_string($made) && isset($story->assets[$made->id]) && null === $asset->taken) {
            // Meant for a slide that is there, it is shown on that, and no second one.
            $slide = null === $asset->slide ? null : $story->slide($asset->slide);
            $asset->same = null === $slide ? $asset->same : null;

            return match (true) {
                null === $slide || !$made instanceof Picture => null,
                $asset->beside => new PutBeside($slide->id, $made->id),
                null === $asset->layer && $slide->picture()?->asset === $made->id => null,
                default => new SetPicture($slide->id, $made->id, $asset->layer),
            };
        }

        return match (true) {
            $made instanceof Picture => $this->picture($asset, $made, $story),
            $made instanceof Voice && null !== $asset->steps => self::runThrough($made, $asset),
            $made instanceof Voice => new AddVoice(
                $made,
                $asset->slide,
                null === $asset->around ? null : Around::read(Fields::of($asset->around)),
            ),
            $made instanceof Music => new AddMusic($made, (string) Uuid::v7()),
            \is_string($made) => self::captions($made, $story),
            default => throw new Refused('edit.no-place'),
        };
    }

    private static function pointedAt(Voice $voice, AssetRecord $asset): Voice
    {
        $share = RecorderClock::share($asset->recorded, $voice->samples);
        $strokes = array_map(
            static fn(Fields $told): Stroke => Stroke::read($told)->paced($share),
            Fields::of(['pointing' => $asset->pointing])->objects('pointing'),
        );

        return $voice->withTake($voice->take->with(pointing: $strokes));
    }

    private static function runThrough(Voice $voice, AssetRecord $asset): AddRunThrough
    {
        $steps = Steps::read(Fields::of(['steps' => $asset->steps]));

        return new AddRunThrough($voice, $steps->paced(RecorderClock::share($asset->recorded, $voice->samples)));
    }

    /** The same file as one whose slide was undone comes back as that one. */
    private function picture(AssetRecord $asset, Picture $picture, Story $story): Edit
    {
        $asset->same = null;
        // A frame of a clip is whose the clip is.
        $clip = null === $asset->taken ? null : $story->picture($asset->taken['asset']);
        $picture = null === $clip ? $picture : $picture->withSource($clip->source);

        return new AddPicture($picture, $asset->slide, $asset->after, $asset->layer, $asset->beside);
    }

    /** The text of a WebVTT or SubRip file; or a plain transcript, which is timed to the voices. */
    private static function captions(string $text, Story $story): Edit
    {
        $captions = CaptionFile::isTimed($text) ? CaptionFile::read($text) : Transcript::timed($text, $story);
        if ([] === $captions) {
            throw new Unreadable('captions.nobody-speaks');
        }

        return new SetCaptions($captions);
    }
}
