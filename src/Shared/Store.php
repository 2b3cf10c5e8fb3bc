<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

use League\Flysystem\Config;
use League\Flysystem\FilesystemOperator;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Finder\Finder;

/**
 * Where the files lie: pictures, takes, segments, films, each by a key such as `pictures/ID/full.jpg`.
 *
 * On one computer that is a folder. Where several share an object store (STORE_URL, see FarStore), the folder holds what
 * this computer has made or fetched, and may be emptied at any time: whatever is written is in the object store before it
 * counts as written, and what is read is fetched when it is not near. A file never changes once it is there.
 */
final readonly class Store
{
    private Filesystem $files;

    public function __construct(private string $storeFolder, private ?FilesystemOperator $far = null)
    {
        $this->files = new Filesystem();
    }

    /** The place on this machine where a file may be written. Its folder is there; share() it when it is whole. */
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

    public function folder(): string
    {
        return $this->storeFolder;
    }

    public function has(string $key): bool
    {
        return is_file($this->path($key)) || (null !== $this->far && $this->far->fileExists($key));
    }

    /**
     * The file's place on this machine, fetched if it is not near.
     *
     * @throws \RuntimeException when it is nowhere
     */
    public function near(string $key): string
    {
        $path = $this->path($key);
        if (!is_file($path)) {
            if (null === $this->far) {
                throw new \RuntimeException('The store lacks a file.');
            }
            $far = $this->far;
            $this->whole($path, static function (string $new) use ($far, $key): void {
                $from = $far->readStream($key);
                $to = fopen($new, 'w') ?: throw new DiskFull();
                if (false === stream_copy_to_stream($from, $to) || !fclose($to)) {
                    throw new DiskFull();
                }
            });
        }

        return $path;
    }

    /** Brings a file near, if it lies in the object store, for the web server to send. */
    public function fetch(string $key): void
    {
        if (null !== $this->far && $this->has($key)) {
            $this->near($key);
        }
    }

    /** What lies whole at its place is given to the other computers. */
    public function share(string $key): void
    {
        if (null !== $this->far) {
            $file = fopen($this->path($key), 'r') ?: throw new \RuntimeException('The store lacks a file.');
            $this->far->writeStream($key, $file);
            if (\is_resource($file)) {
                fclose($file);
            }
        }
    }

    public function write(string $key, string $bytes): void
    {
        $this->whole($this->path($key), static function (string $new) use ($bytes): void {
            $file = @fopen($new, 'w');
            // On the disk for certain before it is acknowledged.
            if (false === $file || \strlen($bytes) !== @fwrite($file, $bytes) || !@fflush($file) || !fsync($file)) {
                throw new DiskFull();
            }
            fclose($file);
        });
        $this->share($key);
    }

    public function remove(string $key): void
    {
        $this->files->remove($this->path($key));
        $this->far?->delete($key);
    }

    /** All that lies in a folder, wherever it was written. */
    public function removeFolder(string $key): void
    {
        $this->files->remove($this->path($key));
        $this->far?->deleteDirectory($key);
    }

    /** All that lies in a folder is there under another name too; as no file ever changes, on one computer the two share their bytes. */
    public function copyFolder(string $from, string $to): void
    {
        foreach ($this->far?->listContents($from, FilesystemOperator::LIST_DEEP) ?? [] as $object) {
            if ($object->isFile()) {
                // Nobody but us reads any of them: who may read the first need not be asked.
                $this->far?->copy(
                    $object->path(),
                    $to . substr($object->path(), \strlen($from)),
                    [Config::OPTION_RETAIN_VISIBILITY => false],
                );
            }
        }
        if (null !== $this->far || !is_dir("{$this->storeFolder}/{$from}")) {
            return;
        }
        foreach (Finder::create()->in("{$this->storeFolder}/{$from}")->files()->notName('*.part') as $file) {
            $this->whole($this->path("{$to}/{$file->getRelativePathname()}"), static function (string $new) use ($file): void {
                if (!@link($file->getPathname(), $new) && !copy($file->getPathname(), $new)) {
                    throw new DiskFull();
                }
            });
        }
    }

    /**
     * What was written into a folder, or one within it, before a moment; what may be made again at any time goes so.
     *
     * @return int how many went
     */
    public function removeOld(string $folder, \DateTimeImmutable $before): int
    {
        $near = "{$this->storeFolder}/{$folder}";
        $old = [];
        foreach (is_dir($near) ? Finder::create()->in($near)->files()->notName('*.part')->date('< @' . $before->getTimestamp()) : [] as $file) {
            $old["{$folder}/{$file->getRelativePathname()}"] = true;
        }
        foreach ($this->far?->listContents($folder, FilesystemOperator::LIST_DEEP) ?? [] as $object) {
            if ($object->isFile() && $object->lastModified() < $before->getTimestamp()) {
                $old[$object->path()] = true;
            }
        }
        array_map($this->remove(...), array_keys($old));

        return \count($old);
    }

    /**
     * The file's place; it is made if it is nowhere.
     *
     * @param \Closure(string): mixed $make writes it to the path it is given
     */
    public function once(string $key, \Closure $make): string
    {
        if ($this->has($key)) {
            return $this->near($key);
        }
        $path = $this->path($key);
        $this->whole($path, $make);
        $this->share($key);

        return $path;
    }

    /**
     * Writes under another name first, so that nobody meets half of it.
     *
     * @param \Closure(string): mixed $make
     */
    private function whole(string $path, \Closure $make): void
    {
        $new = $path . '.' . bin2hex(random_bytes(4)) . '.part';
        try {
            $make($new);
            if (!rename($new, $path)) {
                throw new DiskFull();
            }
        } finally {
            @unlink($new);
        }
    }

    public function isWritable(): bool
    {
        return is_dir($this->storeFolder) && is_writable($this->storeFolder);
    }
}
