<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Picture\Part;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Story\Story;

/**
 * Cuts a slide in two at a frame of its clip: from there on the clip goes on, on a slide of its own behind it. What is said stays
 * where it begins, and each half stays for as long as it moves.
 */
final readonly class CutClip implements Edit
{
    /**
     * @param string      $rest  the id of the second half
     * @param string|null $layer whose clip is meant; null for the first
     */
    public function __construct(private string $slide, private int $frame, private string $rest, private ?string $layer = null) {}

    public function apply(Story $story): Story
    {
        OnSlides::mustHave($story, [$this->slide]);
        $slide = $story->slide($this->slide);
        $layer = null === $this->layer ? $slide?->picture() : $slide?->layer($this->layer);
        $layer = $layer instanceof PictureLayer ? $layer : null;
        $clip = null === $layer ? null : $story->picture($layer->asset)?->clip;
        $part = $layer->part ?? new Part();
        if (null === $layer || null === $clip || $this->frame <= $part->from || $this->frame >= $part->end($clip)) {
            throw new Refused('edit.no-cut');
        }
        foreach ([
            new DuplicateSlides([$this->slide], [$this->rest]),
            new SetLayer($this->slide, $layer->id, LayerKind::Picture, ['part' => ['to' => $this->frame]]),
            new SetLayer($this->rest, $layer->id, LayerKind::Picture, ['part' => ['from' => $this->frame]]),
            new SetVoice($this->rest, []),
            new SetScript($this->rest, ''),
            new SetStay([$this->slide, $this->rest], null),
        ] as $edit) {
            $story = $edit->apply($story);
        }

        return $story;
    }
}
