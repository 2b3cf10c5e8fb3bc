<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

use Rhapsode\Core\Message\MessageException;

/** A file that cannot be used: why, and what its owner may do. */
final class Unreadable extends MessageException {}
