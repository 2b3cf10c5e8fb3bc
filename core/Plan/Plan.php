<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Captions\Cue;
use Rhapsode\Core\Framing\Ease;
use Rhapsode\Core\Geometry\Frame;
use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\PlannedDrift;
use Rhapsode\Core\Pointing\PointerForm;
use Rhapsode\Core\Sound\Bus;
use Rhapsode\Core\Sound\Play;
use Rhapsode\Core\Story\Cells;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\Scheme;

/** Everything that is seen and heard, computed from a story: what the preview plays and the film is made from. */
final readonly class Plan
{
    /**
     * @param list<Scene>  $scenes
     * @param list<Cue>    $cues
     * @param list<string> $credits
     * @param string       $by      how it is said whose a story is, in its language, with {name} for the name
     * @param list<Play>   $plays   voices in the order of the film, then clips, then the beds
     */
    public function __construct(
        public string $title,
        public string $language,
        public Shape $shape,
        public array $scenes,
        public array $cues,
        public array $credits,
        public array $plays = [],
        public Scheme $scheme = new Scheme(),
        public string $by = '{name}',
    ) {}

    public function frames(): int
    {
        return [] === $this->scenes ? 0 : $this->scenes[\count($this->scenes) - 1]->end;
    }

    public function seconds(): float
    {
        return Rate::seconds($this->frames());
    }

    /** @return list<Play> */
    public function plays(Bus $bus): array
    {
        return array_values(array_filter($this->plays, static fn(Play $play): bool => $play->bus === $bus));
    }

    /** @return array{start: float, end: float}|null the seconds of the film between which a slide speaks; null where it does not */
    public function spoken(string $slide): ?array
    {
        $voice = array_values(array_filter($this->plays(Bus::Voice), static fn(Play $play): bool => $play->slide === $slide));

        return [] === $voice ? null : [
            'start' => $voice[0]->at / Rate::SAMPLES,
            'end' => $voice[\count($voice) - 1]->end() / Rate::SAMPLES,
        ];
    }

    /** @return array<string, list<array<string, float>>> where the cells of each arrangement lie */
    private function layouts(): array
    {
        $layouts = [];
        foreach (Layout::cases() as $layout) {
            $layouts[$layout->value] = array_map(
                static fn(Frame $cell): array => $cell->toArray(),
                Cells::of($layout, $this->shape, $this->scheme->mount->gap),
            );
        }

        return array_filter($layouts);
    }

    /**
     * @param int $shorter pixels of the film's shorter side
     *
     * @return array<string, mixed>
     */
    public function toArray(int $shorter = 720): array
    {
        $height = $this->shape->height($shorter);

        return [
            'title' => $this->title,
            'language' => $this->language,
            'by' => $this->by,
            'fps' => Rate::FPS,
            'width' => $this->shape->width($height),
            'height' => $height,
            'frames' => $this->frames(),
            'ease' => Ease::table(),
            'scheme' => $this->scheme->toArray(),
            'layouts' => $this->layouts(),
            'transitions' => array_map(
                fn(TransitionKind $kind): array => PlannedTransition::of($kind, Rate::FPS, $this->language, $this->scheme->light())->toArray(),
                TransitionKind::cases(),
            ),
            'drifts' => array_map(fn(DriftKind $kind): array => [
                'kind' => $kind->value,
                'layers' => array_map(
                    static fn(PlannedDrift $layer): array => $layer->toArray(),
                    Drifting::sample(new Drift($kind), $this->shape),
                ),
            ], DriftKind::cases()),
            'pointers' => PointerForm::drawn($this->shape),
            'scenes' => array_map(static fn(Scene $s): array => $s->toArray(), $this->scenes),
            'cues' => array_map(static fn(Cue $c): array => $c->toArray(), $this->cues),
            'credits' => $this->credits,
            'plays' => array_map(static fn(Play $p): array => $p->toArray(), $this->plays),
        ];
    }
}
