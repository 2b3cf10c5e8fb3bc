<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Captions\CueMaker;
use Rhapsode\Core\Captions\Imported;
use Rhapsode\Core\Captions\WordTimes;
use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\Wording;
use Rhapsode\Core\Layer\Layer;
use Rhapsode\Core\Layer\LayerContext;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Picture\PlannedPicture;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Memo\Memo;
use Rhapsode\Core\Memo\ProcessMemo;
use Rhapsode\Core\Message\Catalogue;
use Rhapsode\Core\Pacing\Pacing;
use Rhapsode\Core\Pacing\TimedSlide;
use Rhapsode\Core\Sound\Beds;
use Rhapsode\Core\Sound\ClipSounds;
use Rhapsode\Core\Sound\Voices;
use Rhapsode\Core\Story\Cells;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\TextWidths;
use Rhapsode\Core\Words\Typesetter;

/** Makes the plan of a story. */
final readonly class Planner
{
    public function __construct(private TextWidths $widths, private Catalogue $catalogue, private Memo $memo = new ProcessMemo()) {}

    /** @param array<string, LightUnder> $lights by Rendition::lightKey(); where one is missing its words get a plate */
    public function plan(Story $story, array $lights = []): Plan
    {
        $timed = Pacing::of($story);
        $typesetter = new Typesetter($this->widths, $story->shape, $story->language, $story->style->scheme());
        $parts = $typesetter->in($typesetter->scheme->forPart());
        $wording = new Wording($this->catalogue, $story->language);
        $credits = Credits::shown($story, $wording);
        $last = $timed[\count($timed) - 1] ?? null;
        $intoCredits = [] === $credits || null === $last ? 0 : $story->transitionOf($last->slide)->frames();
        $drifts = Drifting::of($timed);
        $backdrop = Backdrop::of($story, $typesetter->scheme, $lights);
        $scenes = [];
        foreach ($timed as $i => $one) {
            $next = $timed[$i + 1] ?? null;
            $set = Layout::Part === $one->slide->layout ? $parts : $typesetter;
            $scenes[] = $this->scene($story, $one, $next, $next->comesIn ?? $intoCredits, $wording, $i + 1, $set, $lights, $drifts[$one->slide->id] ?? null, $backdrop);
        }
        array_push($scenes, ...(new CreditScenes($typesetter, $wording->credits(), $backdrop))->of($credits, $last?->end() ?? 0, $intoCredits));
        $ends = array_combine(
            array_map(static fn(Scene $s): string => $s->id, $scenes),
            array_map(static fn(Scene $s): int => $s->end, $scenes),
        );
        $frames = [] === $scenes ? 0 : $scenes[\count($scenes) - 1]->end;

        return new Plan(
            $story->title,
            $story->language,
            $story->shape,
            $scenes,
            null === $story->captions ? $this->cues($story, $timed, $scenes) : Imported::cues($story->captions, $ends),
            Credits::entries($story, $wording),
            [
                ...Voices::plays($story, $timed),
                ...ClipSounds::plays($story, $timed, self::begun($scenes)),
                ...(new Beds($story, $timed, $frames * Rate::SAMPLES_PER_FRAME))->plays(),
            ],
            $typesetter->scheme,
            $wording->by('{name}'),
        );
    }

    /**
     * @param list<TimedSlide> $timed
     * @param list<Scene>      $scenes those of the slides first, in order
     *
     * @return list<Cue>
     */
    private function cues(Story $story, array $timed, array $scenes): array
    {
        $maker = new CueMaker();
        $cues = [];
        foreach ($timed as $i => $one) {
            $slide = $one->slide;
            if ([] === $one->voice || '' === $slide->script) {
                continue;
            }
            $begin = (int) round(1000 * Rate::seconds($one->start));
            $high = $scenes[$i]->hasWordsAtTheBottom();
            $known = $this->memo->recall(
                'cues' . WordTimes::key($one, $story) . ($high ? 'high' : ''),
                static fn(): array => $maker->of($one, $story, $high),
            );
            foreach ($known as $cue) {
                $cues[] = new Cue($begin + $cue->start, $begin + $cue->end, $cue->text, $slide->id, $cue->high);
            }
        }

        return $cues;
    }

    /**
     * @param int                       $out    frames of its transition to what follows
     * @param int                       $number of the slide, from 1 on
     * @param array<string, LightUnder> $lights
     */
    private function scene(
        Story $story,
        TimedSlide $timed,
        ?TimedSlide $next,
        int $out,
        Wording $wording,
        int $number,
        Typesetter $typesetter,
        array $lights,
        ?Drifting $drifting,
        ?Backdrop $backdrop,
    ): Scene {
        $slide = $timed->slide;
        $heading = match ($slide->layout) {
            Layout::Part => '',
            Layout::Closing => $wording->madeBy(),
            default => $story->title,
        };
        $headings = $typesetter->headings();
        $moments = new SlideMoments($timed, $story, $this->memo);
        $context = new LayerContext(
            $slide->id,
            $heading,
            match ($slide->layout) {
                Layout::Part => $headings->part(...),
                Layout::Closing => $headings->closing(...),
                default => $headings->title(...),
            },
            $story->language,
            $story->shape,
            $timed->stay + $out,
            $next?->slide->picture()?->asset,
            $moments,
            $slide->layers,
            $story->assets,
            $lights,
            $typesetter,
            $this->memo,
            Cells::of($slide->layout, $story->shape, $typesetter->scheme->mount->gap),
            $typesetter->scheme->mount,
            $typesetter->scheme->ground,
            Turns::of($slide, $story->language, $moments, Rate::seconds($timed->stay) - $moments->begins()),
            $slide->drift,
        );
        // Pictures in cells never lie on each other, and all else lies over them.
        foreach ([...self::inCells($slide, true), ...self::inCells($slide, false)] as $layer) {
            $context = $context->over(...$layer->plan($context));
        }

        return new Scene(
            $slide->id,
            self::called($slide, $heading) ?? $wording->slide($number),
            $typesetter->scheme->ground,
            $timed->start,
            $timed->end(),
            $timed->comesIn,
            PlannedTransition::of(
                $story->transitionOf($slide)->kind,
                $out,
                $story->language,
                $typesetter->scheme->light(),
            ),
            Pointed::over($timed, $story, $context->frames, match (true) {
                // What is to be read on a picture leaves no room for what passes over it.
                null !== $backdrop && \in_array($slide->layout, [Layout::Title, Layout::Closing], true) => $backdrop->under($context->under),
                null !== $drifting => $drifting->under($context->under, $story->shape, $typesetter->scheme->ground),
                default => $context->under,
            }),
            $slide->lettersOnPicture(),
        );
    }

    /** What its chapter is called; null where no heading tells. */
    private static function called(Slide $slide, string $heading): ?string
    {
        $said = $slide->layout->isWordsAlone() ? $slide->words(WordsRole::Title)?->shown($heading) ?? $heading : '';

        return '' === $said ? null : $said;
    }

    /**
     * @param list<Scene> $scenes
     *
     * @return array<string, array<string, int>> at which frame of its slide each clip begins, by slide and layer
     */
    private static function begun(array $scenes): array
    {
        $begun = [];
        foreach ($scenes as $scene) {
            foreach ($scene->layers as $layer) {
                if ($layer instanceof PlannedPicture && null !== $layer->clip) {
                    $begun[$scene->id][$layer->id()] = $layer->clip->at;
                }
            }
        }

        return $begun;
    }

    /** @return list<Layer> */
    private static function inCells(Slide $slide, bool $are): array
    {
        return array_values(array_filter(
            $slide->layers,
            static fn(Layer $layer): bool => $are === ($layer instanceof PictureLayer && null !== $layer->cell),
        ));
    }
}
