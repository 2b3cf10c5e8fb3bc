<?php

declare(strict_types=1);

namespace Rhapsode\App\TakeHome;

use Rhapsode\App\Shared\DiskFull;

/** Writes files into one archive (ZIP), as they are: pictures, sounds and films are small already. */
final class Archive
{
    private readonly \ZipArchive $zip;

    /** @var array<string, true> */
    private array $taken = [];

    public function __construct(string $path)
    {
        $this->zip = new \ZipArchive();
        if (true !== $this->zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE)) {
            throw new DiskFull();
        }
    }

    /**
     * A name that every file system takes, and that nothing else in the archive has.
     *
     * @param string $name what a person calls it
     */
    public function name(string $name, string $ending): string
    {
        $plain = trim((string) preg_replace('/[^\pL\pM\pN _()\'’,–-]+/u', '-', $name), ' -');
        $plain = '' === $plain ? 'file' : mb_strcut($plain, 0, 120);
        for ($n = 1, $free = "{$plain}.{$ending}"; isset($this->taken[mb_strtolower($free)]); ++$n) {
            $free = "{$plain} {$n}.{$ending}";
        }
        $this->taken[mb_strtolower($free)] = true;

        return $free;
    }

    public function file(string $name, string $path): void
    {
        $this->zip->addFile($path, $name, 0, 0, \ZipArchive::FL_ENC_UTF_8);
        $this->zip->setCompressionName($name, \ZipArchive::CM_STORE);
    }

    public function text(string $name, string $text): void
    {
        $this->zip->addFromString($name, $text, \ZipArchive::FL_ENC_UTF_8);
    }

    /** @throws DiskFull */
    public function close(): void
    {
        if (!$this->zip->close()) {
            throw new DiskFull();
        }
    }
}
