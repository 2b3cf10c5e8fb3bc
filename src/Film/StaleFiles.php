<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Psr\Log\LoggerInterface;
use Rhapsode\App\Shared\Store;

use function Symfony\Component\Clock\now;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\Filesystem\Exception\IOException;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Finder\Finder;
use Symfony\Component\Messenger\Event\WorkerStartedEvent;

/**
 * A worker that was killed could not clear up: half-written files and scratch folders that nobody has touched for hours are
 * removed when the next one begins, and so are parts of films that were made long ago.
 */
#[AsEventListener]
final readonly class StaleFiles
{
    private const OLD = 'until 6 hours ago';
    /** A film that needs one of them again makes it again. */
    private const PARTS = ['segments', 'sounds'];
    private const PARTS_KEPT_FOR = '-60 days';

    public function __construct(private Store $store, private LoggerInterface $logger, private Filesystem $files = new Filesystem()) {}

    public function __invoke(WorkerStartedEvent $event): void
    {
        $this->clear($this->store->folder(), sys_get_temp_dir());
        $this->forget();
    }

    public function forget(): void
    {
        foreach (self::PARTS as $folder) {
            $this->store->removeOld($folder, now(self::PARTS_KEPT_FOR));
        }
    }

    public function clear(string $store, string $scratch): void
    {
        if (is_dir($store)) {
            $this->remove(Finder::create()->in($store)->files()->name('*.part')->date(self::OLD)->ignoreUnreadableDirs());
        }
        $this->remove(
            Finder::create()->in($scratch)->directories()->depth(0)->name('/^rhapsode-[0-9a-f]{16}$/')->date(self::OLD)->ignoreUnreadableDirs(),
        );
    }

    /** What cannot be removed, since another owns it or has just removed it, keeps no worker from its work. */
    private function remove(Finder $old): void
    {
        foreach (iterator_to_array($old, false) as $one) {
            try {
                $this->files->remove($one->getPathname());
            } catch (IOException $error) {
                $this->logger->warning('A stale file stays.', ['exception' => $error]);
            }
        }
    }
}
