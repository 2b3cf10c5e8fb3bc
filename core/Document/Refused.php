<?php

declare(strict_types=1);

namespace Rhapsode\Core\Document;

/** Why an edit cannot be done, in one sentence for the person who asked. */
final class Refused extends \DomainException {}
