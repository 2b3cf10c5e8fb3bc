<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Story\Story;

/** The language that is spoken and written, as a BCP 47 tag: lines and cues are broken by its rules. */
final readonly class SetLanguage implements Edit
{
    public function __construct(private string $language) {}

    public function apply(Story $story): Story
    {
        if (1 !== preg_match('/^[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/D', $this->language)) {
            throw new Refused('edit.language-tag');
        }

        return $story->with(language: $this->language);
    }
}
