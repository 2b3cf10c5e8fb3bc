<?php

declare(strict_types=1);

namespace Rhapsode\Core\Document;

use Rhapsode\Core\Message\MessageException;

/** Why an edit cannot be done. */
final class Refused extends MessageException {}
