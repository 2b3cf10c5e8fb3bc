<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Words\Dealing;
use Rhapsode\Core\Words\DealWay;

/** A whole text becomes the scripts of slides, from one on. What they had is had back by undoing. */
final readonly class DealScript implements Edit
{
    /** @param DealWay|null $way null for the one that the text seems to be meant for */
    public function __construct(private string $from, private string $text, private ?DealWay $way) {}

    public function apply(Story $story): Story
    {
        $first = $story->indexOf($this->from) ?? throw new Refused('edit.slide-gone');
        $slides = \array_slice($story->slides, $first);
        $parts = Dealing::over($this->text, \count($slides), $this->way ?? Dealing::wayOf($this->text), $story->language);
        if ([] === $parts) {
            throw new Refused('edit.nothing-to-deal');
        }
        foreach ($parts as $i => $part) {
            if (mb_strlen($part) > Limits::SCRIPT) {
                throw new Refused('edit.script-too-long', ['most' => Limits::SCRIPT]);
            }
            $story = (new SetScript($slides[$i]->id, $part))->apply($story);
        }

        return $story;
    }
}
