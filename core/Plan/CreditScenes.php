<?php

declare(strict_types=1);

namespace Rhapsode\Core\Plan;

use Rhapsode\Core\Credits\Credits;
use Rhapsode\Core\Credits\PlannedRoll;
use Rhapsode\Core\Layer\Envelope;
use Rhapsode\Core\Layer\PlannedLayer;
use Rhapsode\Core\Layer\Words\PlannedWords;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\CreditsWay;
use Rhapsode\Core\Words\Typesetter;

/** The credits as they are performed after the last slide: page after page, or in one piece that rolls. */
final readonly class CreditScenes
{
    /**
     * @param string        $heading  that they stand under
     * @param Backdrop|null $backdrop that they stand on
     */
    public function __construct(private Typesetter $typesetter, private string $heading, private ?Backdrop $backdrop = null) {}

    /**
     * @param list<string> $entries
     * @param int          $start   frame at which the last slide ends
     * @param int          $comesIn frames of its transition
     *
     * @return list<Scene>
     */
    public function of(array $entries, int $start, int $comesIn): array
    {
        if ([] === $entries) {
            return [];
        }
        $roll = CreditsWay::Roll === $this->typesetter->scheme->credits ? $this->typesetter->credits()->roll($this->heading, $entries) : null;
        // What is too long to roll in one piece comes page after page.
        if (null === $roll) {
            return $this->pages(Credits::pages($entries), $start, $comesIn);
        }
        $rolls = PlannedRoll::of($roll, $entries);

        return [$this->scene(1, $start, $start + $rolls->frames, $comesIn, 0, $rolls)];
    }

    /**
     * @param list<list<string>> $pages
     *
     * @return list<Scene>
     */
    private function pages(array $pages, int $start, int $comesIn): array
    {
        $scenes = [];
        foreach ($pages as $i => $page) {
            $end = $start + Rate::frames(Credits::seconds($page));
            $words = new PlannedWords('credits', $this->typesetter->credits()->page($this->heading, $page), Envelope::constant(1.0));
            $scenes[] = $this->scene($i + 1, $start, $end, $comesIn, $i < \count($pages) - 1 ? Rate::FPS : 0, $words);
            $start = $end;
            $comesIn = Rate::FPS;
        }

        return $scenes;
    }

    /** @param int $out frames of its transition to what follows */
    private function scene(int $number, int $start, int $end, int $comesIn, int $out, PlannedLayer $shown): Scene
    {
        $transition = PlannedTransition::of(TransitionKind::Crossfade, $out);

        $layers = $this->backdrop?->under([$shown]) ?? [$shown];

        return new Scene("credits-{$number}", $this->heading, $this->typesetter->scheme->ground, $start, $end, $comesIn, $transition, $layers);
    }
}
