<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\TestCase;
use Psr\Log\NullLogger;
use Rhapsode\App\Film\StaleFiles;
use Rhapsode\App\Shared\Store;
use Rhapsode\Studio\Tool\Scratch;
use Symfony\Component\ErrorHandler\BufferingLogger;
use Symfony\Component\Filesystem\Exception\IOException;
use Symfony\Component\Filesystem\Filesystem;

final class StaleFilesTest extends TestCase
{
    public function testOnlyWhatIsOldAndHalfIsRemoved(): void
    {
        $scratch = new Scratch();
        $old = time() - 7 * 3600;
        mkdir($scratch->path('segments'));
        foreach (['a.mp4' => $old, 'b.mp4.0a1b2c3d.part' => $old, 'c.mp4.0a1b2c3d.part' => time()] as $name => $time) {
            touch($scratch->path("segments/{$name}"), $time);
        }
        mkdir($scratch->path('tmp'));
        foreach ([
            'rhapsode-0123456789abcdef' => $old,
            'rhapsode-fedcba9876543210' => time(),
            'rhapsode-of-somebody' => $old,
        ] as $name => $time) {
            mkdir($scratch->path("tmp/{$name}"));
            touch($scratch->path("tmp/{$name}"), $time);
        }
        (new StaleFiles(new Store($scratch->folder), new NullLogger()))->clear($scratch->folder, $scratch->path('tmp'));

        self::assertSame(['a.mp4', 'c.mp4.0a1b2c3d.part'], array_map(basename(...), glob($scratch->path('segments/*')) ?: []));
        self::assertSame(
            ['rhapsode-fedcba9876543210', 'rhapsode-of-somebody'],
            array_map(basename(...), glob($scratch->path('tmp/*')) ?: []),
        );
    }

    /** On a machine that others use too, a folder of theirs may bear such a name: a worker that it stopped would never work again. */
    public function testWhatAnotherOwnsStopsNobody(): void
    {
        $scratch = new Scratch();
        foreach (['rhapsode-0123456789abcdef', 'rhapsode-1123456789abcdef', 'rhapsode-2123456789abcdef'] as $name) {
            mkdir($scratch->path($name));
            touch($scratch->path($name), time() - 7 * 3600);
        }
        $files = new class extends Filesystem {
            /** @param string|iterable<string> $files */
            public function remove(string|iterable $files): void
            {
                if (\is_string($files) && str_ends_with($files, '-1123456789abcdef')) {
                    throw new IOException('Permission denied');
                }
                parent::remove($files);
            }
        };
        $logger = new BufferingLogger();
        (new StaleFiles(new Store($scratch->path('store')), $logger, $files))->clear($scratch->path('store'), $scratch->folder);

        self::assertSame(['rhapsode-1123456789abcdef'], array_map(basename(...), glob($scratch->path('rhapsode-*')) ?: []));
        self::assertCount(1, $logger->cleanLogs(), 'and it is said');
    }

    public function testPartsOfFilmsAreKeptForTwoMonths(): void
    {
        $scratch = new Scratch();
        $store = new Store($scratch->folder);
        $days = 24 * 3600;
        foreach ([
            'segments/aa/new.mp4' => 59,
            'segments/ab/old.mp4' => 61,
            'sounds/ac/old.sound' => 61,
            'films/ad/old.mp4' => 400,
        ] as $key => $age) {
            touch($store->path($key), time() - $age * $days);
        }
        (new StaleFiles($store, new NullLogger()))->forget();

        $left = array_filter(['segments/aa/new.mp4', 'segments/ab/old.mp4', 'sounds/ac/old.sound', 'films/ad/old.mp4'], $store->has(...));
        self::assertSame(['segments/aa/new.mp4', 'films/ad/old.mp4'], array_values($left));
    }
}
