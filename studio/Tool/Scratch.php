<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Tool;

use Symfony\Component\Filesystem\Filesystem;

/** A folder for what is only needed for a while; gone when the object is. */
final readonly class Scratch
{
    public string $folder;

    public function __construct(?string $under = null)
    {
        $this->folder = ($under ?? sys_get_temp_dir()) . '/rhapsode-' . bin2hex(random_bytes(8));
        (new Filesystem())->mkdir($this->folder, 0o700);
    }

    public function path(string $name): string
    {
        return $this->folder . '/' . $name;
    }

    public function __destruct()
    {
        (new Filesystem())->remove($this->folder);
    }
}
