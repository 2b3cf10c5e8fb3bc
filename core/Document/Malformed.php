<?php

declare(strict_types=1);

namespace Rhapsode\Core\Document;

/** A document does not have the shape it should: the message names the field, in words for a person. */
final class Malformed extends \DomainException {}
