<?php

declare(strict_types=1);

namespace Rhapsode\Core\Layer;

/** A planned layer that shows something brought in. */
interface ShowsAsset
{
    /** The id of the asset; null where this one shows none. */
    public function asset(): ?string;
}
