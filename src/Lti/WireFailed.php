<?php

declare(strict_types=1);

namespace Rhapsode\App\Lti;

/** A platform that does not answer, or not as it should; its code is the platform's status, 0 for none. */
final class WireFailed extends \RuntimeException {}
