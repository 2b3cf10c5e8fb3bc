<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

/** A tool did not do its work. The message is for the log, never for a page. */
final class ToolFailed extends \RuntimeException {}
