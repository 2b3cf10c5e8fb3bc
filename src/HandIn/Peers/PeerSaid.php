<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Peers;

use Rhapsode\App\Shared\Body\Text;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;

/** What a student says of somebody's film: what they liked, and what they wondered. */
final readonly class PeerSaid
{
    #[Text(most: Limits::REMARK, least: 1)]
    public string $liked;

    #[Text(most: Limits::REMARK, least: 1)]
    public string $wondered;

    public function __construct(string $liked, string $wondered)
    {
        $this->liked = trim(Fields::cleaned($liked));
        $this->wondered = trim(Fields::cleaned($wondered));
    }
}
