<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

/** A file that cannot be used, with one sentence that tells its owner why and what to do. */
final class Unreadable extends \DomainException {}
