<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Captions\CueMaker;
use Rhapsode\Core\Captions\Imported;
use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\Wording;
use Rhapsode\Core\Framing\Frame;
use Rhapsode\Core\Framing\Framer;
use Rhapsode\Core\Framing\Move;
use Rhapsode\Core\Sound\Beds;
use Rhapsode\Core\Sound\Loudness;
use Rhapsode\Core\Story\JoinKind;
use Rhapsode\Core\Story\SlideKind;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Pacing;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Timing\Timed;
use Rhapsode\Core\Words\LightUnder;
use Rhapsode\Core\Words\Sheet;
use Rhapsode\Core\Words\TextWidths;
use Rhapsode\Core\Words\Typesetter;
use Rhapsode\Core\Words\WholeLight;

/** Makes the plan of a story. */
final readonly class Planner
{
    public function __construct(private TextWidths $widths, private Memo $memo = new ProcessMemo()) {}

    /** @param array<string, LightUnder> $lights by picture id; where one is missing its words get a plate */
    public function plan(Story $story, array $lights = []): Plan
    {
        $timed = Pacing::of($story);
        $pages = Credits::pages($story);
        $words = Wording::in($story->language);
        $setter = new Typesetter($this->widths, $story->shape, $story->language);
        $cueMaker = new CueMaker($story->language);
        $slides = [];
        $cues = [];
        $creditJoin = [] === $pages || [] === $timed ? 0 : Pacing::wished($timed[\count($timed) - 1]->slide);
        foreach ($timed as $i => $one) {
            $next = $timed[$i + 1]->joinIn ?? $creditJoin;
            $slides[] = $this->slide($story, $one, $i, $next, $setter, $lights);
            if (null === $story->captions) {
                array_push($cues, ...$this->cues($cueMaker, $story, $one));
            }
        }
        $end = [] === $timed ? 0 : $timed[\count($timed) - 1]->end();
        foreach ($pages as $i => $page) {
            $stay = Rate::frames(Credits::seconds($page));
            $joinIn = 0 === $i ? $creditJoin : Rate::FPS;
            $joinOut = $i < \count($pages) - 1 ? Rate::FPS : 0;
            $slides[] = new PlannedSlide(
                'credits-' . ($i + 1),
                $words->credits(),
                null,
                Image::plain(Typesetter::ground()),
                $end,
                $end + $stay,
                $joinIn,
                PlannedJoin::of(JoinKind::Crossfade, $joinOut),
                Move::still(Frame::all()),
                $setter->credits($words->credits(), $page),
                null,
                0.0,
            );
            $end += $stay;
        }

        return new Plan(
            $story->title,
            $story->language,
            $story->shape,
            $slides,
            null === $story->captions ? $cues : Imported::cues($story->captions, $slides),
            Credits::entries($story),
            (new Beds($story, $timed, $end * Rate::SAMPLES_PER_FRAME))->plays(),
        );
    }

    /** @return list<Cue> */
    private function cues(CueMaker $maker, Story $story, Timed $timed): array
    {
        $take = $story->takeOf($timed->slide);
        if (null === $take || '' === $timed->slide->script) {
            return [];
        }
        $begin = (int) round(1000 * Rate::seconds($timed->start));
        $cues = $this->memo->recall(
            self::key('cues', $story->language, $timed->slide->kind, $timed->slide->script, $timed->slide->caption->toArray(), $timed->stay, $timed->joinIn, $timed->slide->trimmed, $take->samples, $take->from, $take->to, $take->pauses),
            static fn(): array => $maker->of($timed, $take),
        );

        return array_map(static fn(Cue $cue): Cue => new Cue($begin + $cue->start, $begin + $cue->end, $cue->text, $timed->slide->id, $cue->high), $cues);
    }

    private static function key(string $what, mixed ...$from): string
    {
        return $what . hash('xxh128', json_encode($from, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /** @param array<string, LightUnder> $lights */
    private function slide(Story $story, Timed $timed, int $index, int $joinOut, Typesetter $setter, array $lights): PlannedSlide
    {
        $slide = $timed->slide;
        $picture = $story->pictureOf($slide);
        $take = $story->takeOf($slide);
        $seconds = Rate::seconds($timed->stay + $joinOut);
        if (SlideKind::Title === $slide->kind || null === $picture) {
            $image = Image::plain(Typesetter::ground());
            $move = Move::still(Frame::all());
            $words = SlideKind::Title === $slide->kind
                ? $setter->title('' === trim($slide->heading) ? $story->title : $slide->heading, $slide->subtitle)
                : Sheet::bare($story->shape);
        } else {
            $whole = Framer::isWhole($slide, $picture, $story->shape);
            $image = $whole ? Image::whole($picture->id) : Image::full($picture->id);
            $move = Framer::move($slide, $picture, $story->shape, $seconds);
            $light = $lights[$picture->id] ?? null;
            $words = '' === $slide->caption->text ? Sheet::bare($story->shape) : $this->memo->recall(
                self::key('words', $story->language, $story->shape->value, $slide->caption->toArray(), $whole, $move, null === $light ? null : $picture->id),
                static fn(): Sheet => $setter->caption($slide, $move, $whole && null !== $light ? new WholeLight($light) : $light),
            );
        }

        return new PlannedSlide(
            $slide->id,
            SlideKind::Title === $slide->kind ? ('' === trim($slide->heading) ? $story->title : trim($slide->heading)) : Wording::in($story->language)->slide($index + 1),
            $picture?->file,
            $image,
            $timed->start,
            $timed->end(),
            $timed->joinIn,
            PlannedJoin::of($slide->join->kind, $joinOut, $story->language),
            $move,
            $words,
            $timed->voice,
            null === $take ? 0.0 : Loudness::gain($take),
        );
    }
}
