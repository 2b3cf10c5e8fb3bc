<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Spoken;

use Rhapsode\App\Asset\AssetRecord;

/** A voice that is ready to be a remark, and how many seconds it lasts. */
final readonly class SpokenVoice
{
    public function __construct(public AssetRecord $asset, public float $seconds) {}
}
