<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Lowered;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Asset\Take;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Pointing\Hand;
use Rhapsode\Core\Pointing\PointerForm;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\VoiceThread;
use Rhapsode\Core\Words\DealWay;

/** Reads edits as they arrive: small objects with a `do` that names the edit (schema/openapi.yaml, Edit). */
final class EditReader
{
    /** @throws Malformed */
    public static function read(Fields $in): Edit
    {
        return match ($do = $in->text('do', 40)) {
            'rename' => new Rename(trim($in->text('title', Limits::TITLE, min: 1))),
            'add slide' => new AddSlide(Slide::read($in->object('slide')), $in->idOrNull('after')),
            'move slides' => new MoveSlides($in->ids('slides'), $in->idOrNull('after')),
            'delete slides' => new DeleteSlides($in->ids('slides')),
            'duplicate slides' => new DuplicateSlides($in->ids('slides'), $in->ids('copies')),
            'set layer' => new SetLayer($in->id('slide'), $in->id('layer'), $in->choice('kind', LayerKind::class), self::changes($in)),
            'set layers' => new SetLayers($in->ids('slides'), $in->choice('kind', LayerKind::class), self::changes($in)),
            'cut clip' => new CutClip(
                $in->id('slide'),
                $in->whole('frame', 1, Limits::CLIP_FRAMES),
                $in->id('rest'),
                $in->idOrNull('layer'),
            ),
            'arrange' => new Arrange($in->ids('slides'), $in->choice('layout', Layout::class)),
            'put in cell' => new PutInCell($in->id('slide'), $in->id('layer'), $in->whole('cell', 0, Limits::CELLS - 1)),
            'raise layer' => new RaiseLayer($in->id('slide'), $in->id('layer'), $in->whole('by', -1, 1)),
            'put beside' => new PutBeside($in->id('slide'), $in->id('asset')),
            'set sequence' => new SetSequence($in->ids('slides'), $in->choice('sequence', Sequence::class)),
            'turn upright' => new TurnUpright($in->ids('slides')),
            'mark eyes' => new MarkEyes($in->ids('slides')),
            'delete layer' => new DeleteLayer($in->id('slide'), $in->id('layer')),
            'set script' => new SetScript($in->id('slide'), $in->text('script', Limits::SCRIPT)),
            'deal script' => new DealScript(
                $in->id('from'),
                $in->text('text', Limits::WHOLE_SCRIPT, min: 1),
                $in->has('way') ? $in->choice('way', DealWay::class) : null,
            ),
            'scripts from captions' => new ScriptsFromCaptions(),
            'set stay' => new SetStay($in->ids('slides'), $in->numberOrNull('stay', Limits::LEAST_STAY, Limits::MOST_STAY)),
            'share length' => new ShareLength($in->ids('slides'), $in->number('seconds', 1, 36_000)),
            'set transition' => new SetTransition($in->ids('slides'), self::transition($in)),
            'set drift' => new SetDrift($in->ids('slides'), $in->has('drift') ? Drift::read($in->object('drift')) : null),
            'vary transitions' => new VaryTransitions(),
            'set style' => new SetStyle(
                self::transition($in),
                $in->has('name') ? $in->choice('name', StyleName::class) : null,
                $in->has('own') ? $in->object('own')->all() : [],
            ),
            'choose voice' => new ChooseVoice($in->id('slide'), $in->idOrNull('asset'), $in->flag('joined', false)),
            'set take' => new SetTake($in->id('asset'), Take::told($in->object('changes')) ?: throw new Malformed('edit.changes-nothing')),
            'set pointing' => new SetPointing(array_map(Span::read(...), $in->objects('voice')), Hand::read($in, 'strokes')),
            'set pointer' => new SetPointer(array_map(Span::read(...), $in->objects('voice')), $in->choice('form', PointerForm::class)),
            'set lowered' => new SetLowered(array_map(Span::read(...), $in->objects('voice')), $in->choice('what', Lowered::class), $in->flag('isLowered')),
            'set voice' => new SetVoice($in->id('slide'), array_map(Span::read(...), $in->objects('voice'))),
            'deal voice' => new DealVoice(
                array_map(Span::read(...), $in->objects('voice')),
                array_map(
                    static fn(Fields $begin): array => [$begin->id('slide'), $begin->whole('at', 0, Limits::SPANS * Limits::SAMPLES)],
                    $in->objects('begins'),
                ),
            ),
            'leave out' => new LeaveOut($in->id('slide'), self::stretch($in)),
            'shorten pauses' => new ShortenPauses($in->ids('slides'), $in->number('seconds', Limits::LEAST_PAUSE, Limits::MOST_PAUSE)),
            'set trim' => new SetTrim($in->id('slide'), $in->flag('trimmed')),
            'set source' => new SetSource($in->ids('assets'), Source::told($in->object('source'))),
            'set shape' => new SetShape($in->choice('shape', Shape::class)),
            'set language' => new SetLanguage(trim($in->text('language', Limits::LANGUAGE))),
            'add bed' => new AddBed(Bed::read($in->object('bed'))),
            'set bed' => new SetBed($in->id('bed'), self::bed($in)),
            'delete bed' => new DeleteBed($in->id('bed')),
            'drop captions' => new SetCaptions(null),
            'show credits' => new ShowCredits($in->flag('credits')),
            default => throw new Malformed('edit.unknown', ['edit' => $do]),
        };
    }

    private static function transition(Fields $in): ?Transition
    {
        return $in->has('transition') ? Transition::read($in->object('transition')) : null;
    }

    /**
     * A stretch of what is heard is told with the voice of which it is one: so it is the same whatever was cut meanwhile.
     *
     * @return list<Span>
     */
    private static function stretch(Fields $in): array
    {
        $voice = array_map(Span::read(...), $in->objects('voice'));
        $from = $in->whole('from', 0, Limits::SPANS * Limits::SAMPLES);

        return VoiceThread::part($voice, $from, $in->whole('to', $from + 1, Limits::SPANS * Limits::SAMPLES));
    }

    /** @return array<string, mixed> */
    private static function changes(Fields $in): array
    {
        $changes = $in->object('changes')->all();

        return [] === $changes ? throw new Malformed('edit.changes-nothing') : $changes;
    }

    /** @return array<string, mixed> the properties of a bed that are told */
    private static function bed(Fields $in): array
    {
        $changes = $in->object('changes');
        // Read as a whole bed, so that its own rules hold; then only what was told is taken.
        $read = Bed::read($changes->with(['id' => $in->id('bed'), 'asset' => 'unchanged']));
        $told = array_diff_key(array_intersect_key(get_object_vars($read), array_flip($changes->keys())), ['id' => 0, 'asset' => 0]);

        return [] === $told ? throw new Malformed('edit.changes-nothing') : $told;
    }
}
