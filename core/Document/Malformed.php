<?php

declare(strict_types=1);

namespace Rhapsode\Core\Document;

use Rhapsode\Core\Message\MessageException;

/** A document does not have the shape it should: the message names the field. */
final class Malformed extends MessageException {}
