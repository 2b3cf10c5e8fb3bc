<?php

declare(strict_types=1);

/** One line of what was measured: a figure, what it is a share of, and what was asked. */
return static function (string $what, string $figure, string $against, string $asked): void {
    printf("%-52s %9s   of %-46s asked: %s\n", $what, $figure, $against, $asked);
};
