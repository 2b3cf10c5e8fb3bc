<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;

/** Where the files lie: pictures, takes, segments, films, each by a key such as `pictures/ID/full.jpg`. */
final readonly class Store
{
    private Filesystem $files;

    public function __construct(#[Autowire('%env(resolve:STORE_DIR)%')] private string $storeFolder)
    {
        $this->files = new Filesystem();
    }

    /** The file's place on this machine. Its folder is there. */
    public function path(string $key): string
    {
        if (1 !== preg_match('#^[a-z]+(/[A-Za-z0-9_.-]+)+$#D', $key) || str_contains($key, '..')) {
            throw new \LogicException('Not a key of the store.');
        }
        $path = $this->storeFolder . '/' . $key;
        if (!is_dir(\dirname($path))) {
            $this->files->mkdir(\dirname($path));
        }

        return $path;
    }

    public function has(string $key): bool
    {
        return is_file($this->path($key));
    }

    /** Writes the file under another name first, so that nobody meets half of it. */
    public function write(string $key, string $bytes): void
    {
        $this->files->dumpFile($this->path($key), $bytes);
    }

    /**
     * The file's place; it is made if it is not there.
     *
     * @param \Closure(string): mixed $make writes it to the path it is given
     */
    public function once(string $key, \Closure $make): string
    {
        $path = $this->path($key);
        if (!is_file($path)) {
            $new = $path . '.' . bin2hex(random_bytes(4)) . '.part';
            try {
                $make($new);
                rename($new, $path);
            } finally {
                @unlink($new);
            }
        }

        return $path;
    }

    public function isWritable(): bool
    {
        return is_dir($this->storeFolder) && is_writable($this->storeFolder);
    }
}
