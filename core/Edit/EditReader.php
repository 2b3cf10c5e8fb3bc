<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Shape\BadShape;
use Rhapsode\Core\Shape\Fields;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Caption;
use Rhapsode\Core\Story\CaptionPlace;
use Rhapsode\Core\Story\Fit;
use Rhapsode\Core\Story\Join;
use Rhapsode\Core\Story\Motion;
use Rhapsode\Core\Story\Shape;
use Rhapsode\Core\Story\Slide;

/** Reads edits as they arrive: small objects with a `do` that names the edit (schema/openapi.yaml, Edit). */
final class EditReader
{
    /** @throws BadShape */
    public static function read(Fields $in): Edit
    {
        return match ($do = $in->text('do', 40)) {
            'rename' => new Rename(trim($in->text('title', 120, min: 1))),
            'add slide' => new AddSlide(Slide::read($in->object('slide')), $in->idOrNull('after')),
            'move slides' => new MoveSlides($in->ids('slides'), $in->idOrNull('after')),
            'delete slides' => new DeleteSlides($in->ids('slides')),
            'duplicate slides' => new DuplicateSlides($in->ids('slides'), $in->ids('copies')),
            'set heading' => new SetHeading($in->id('slide'), $in->textOrNull('heading', 120), $in->textOrNull('subtitle', 200)),
            'set caption' => self::caption($in->id('slide'), $in->object('caption')),
            'set script' => new SetScript($in->id('slide'), $in->text('script', 5000)),
            'set stay' => new SetStay($in->ids('slides'), $in->numberOrNull('stay', Slide::MIN_STAY, Slide::MAX_STAY)),
            'share length' => new ShareLength($in->ids('slides'), $in->number('seconds', 1, 36_000)),
            'set join' => new SetJoin($in->ids('slides'), Join::read($in->object('join'))),
            'set fit' => new SetFit($in->ids('slides'), $in->choice('fit', Fit::class)),
            'set motion' => new SetMotion(
                $in->ids('slides'),
                $in->choice('motion', Motion::class),
                $in->has('opensOn') ? Frame::read($in->object('opensOn')) : null,
                $in->has('closesOn') ? Frame::read($in->object('closesOn')) : null,
            ),
            'choose take' => new ChooseTake($in->id('slide'), $in->idOrNull('take')),
            'set trim' => new SetTrim($in->id('slide'), $in->flag('trimmed')),
            'set source' => self::source($in->ids('pictures'), $in->ids('music'), $in->object('source')),
            'set shape' => new SetShape($in->choice('shape', Shape::class)),
            'set language' => new SetLanguage(trim($in->text('language', 35))),
            'add bed' => new AddBed(Bed::read($in->object('bed'))),
            'set bed' => new SetBed($in->id('bed'), self::bed($in)),
            'delete bed' => new DeleteBed($in->id('bed')),
            'drop captions' => new SetCaptions(null),
            'show credits' => new ShowCredits($in->flag('credits')),
            default => throw new BadShape("There is no edit called “{$do}”."),
        };
    }

    private static function caption(string $slide, Fields $in): SetCaption
    {
        return new SetCaption($slide, $in->textOrNull('text', Caption::MAX), $in->has('place') ? $in->choice('place', CaptionPlace::class) : null);
    }

    /** @return array<string, mixed> the properties of a bed that are told */
    private static function bed(Fields $in): array
    {
        $changes = $in->object('changes');
        // Read as a whole bed, so that its own rules hold; then only what was told is taken.
        $read = Bed::read($changes->with(['id' => $in->id('bed'), 'music' => 'unchanged']));
        $told = array_diff_key(array_intersect_key(get_object_vars($read), array_flip($changes->keys())), ['id' => 0, 'music' => 0]);

        return [] === $told ? throw new BadShape('“changes” must name what changes.') : $told;
    }

    /**
     * @param list<string> $pictures
     * @param list<string> $music
     */
    private static function source(array $pictures, array $music, Fields $in): SetSource
    {
        $part = static fn(string $key, int $max): ?string => $in->has($key) ? trim($in->text($key, $max)) : null;

        return new SetSource($pictures, $part('title', 200), $part('author', 200), $part('link', 500), $part('licence', 100), $music);
    }
}
