<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\TestCase;
use Rhapsode\App\Shared\FarStore;
use Rhapsode\App\Shared\Store;
use Rhapsode\Studio\Tool\Scratch;
use Symfony\Component\Process\Process;

/** Two computers that share nothing but an object store (a stand-in that speaks S3's protocol). */
final class SharedStoreTest extends TestCase
{
    private Scratch $scratch;
    private Process $server;
    private string $address;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: self::fail('no port is free');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        mkdir($this->scratch->path('objects'));
        $this->server = new Process(
            ['php', '-S', "127.0.0.1:{$port}", \dirname(__DIR__) . '/stand-ins/object-store.php'],
            env: ['OBJECT_STORE_FOLDER' => $this->scratch->path('objects'), 'OBJECT_STORE_KEY' => 'key'],
        );
        $this->server->start();
        for ($i = 0; $i < 100 && !@fsockopen('127.0.0.1', $port); ++$i) {
            usleep(50_000);
        }
        $this->address = "s3://key:secret@127.0.0.1:{$port}/films/in/a/folder?tls=0";
    }

    protected function tearDown(): void
    {
        $this->server->stop(1);
    }

    private function computer(string $name): Store
    {
        return FarStore::store($this->scratch->path($name), $this->address);
    }

    public function testWhatOneWritesTheOtherReads(): void
    {
        $one = $this->computer('one');
        $two = $this->computer('two');
        self::assertFalse($two->has('takes/a/part-0'));
        $one->write('takes/a/part-0', 'spoken');

        self::assertTrue($two->has('takes/a/part-0'));
        self::assertSame('spoken', file_get_contents($two->near('takes/a/part-0')));
        self::assertSame($this->scratch->path('two/takes/a/part-0'), $two->near('takes/a/part-0'), 'in a folder of its own');
    }

    public function testWhatOneHasMadeTheOtherDoesNotMakeAgain(): void
    {
        $made = 0;
        $make = static function (string $new) use (&$made): void {
            ++$made;
            file_put_contents($new, str_repeat('frames', 4_000_000));
        };
        $this->computer('one')->once('segments/ab/abc.mp4', $make);
        $path = $this->computer('two')->once('segments/ab/abc.mp4', $make);

        self::assertSame(1, $made);
        self::assertSame(24_000_000, filesize($path), 'large ones go in parts');
        self::assertSame(md5(str_repeat('frames', 4_000_000)), md5_file($path));
    }

    public function testWhatOneRemovesIsGoneForTheOther(): void
    {
        $one = $this->computer('one');
        $two = $this->computer('two');
        foreach (['takes/a/part-0', 'takes/a/part-1', 'takes/ab/part-0', 'words/a/a.png'] as $key) {
            $one->write($key, 'said');
        }
        $two->removeFolder('takes/a');
        $two->remove('words/a/a.png');

        $three = $this->computer('three');
        self::assertSame(
            [false, false, true, false],
            array_map($three->has(...), ['takes/a/part-0', 'takes/a/part-1', 'takes/ab/part-0', 'words/a/a.png']),
        );
    }

    public function testAFolderIsCopiedForAllOfThem(): void
    {
        $one = $this->computer('one');
        $one->write('pictures/a/full.jpg', 'a picture');
        $one->write('pictures/a/thumb.jpg', 'a small one');
        $one->write('pictures/ab/full.jpg', 'another');
        $this->computer('two')->copyFolder('pictures/a', 'pictures/b');
        $one->removeFolder('pictures/a');

        $three = $this->computer('three');
        self::assertSame('a picture', file_get_contents($three->near('pictures/b/full.jpg')));
        self::assertSame('a small one', file_get_contents($three->near('pictures/b/thumb.jpg')));
        self::assertSame([false, true], array_map($three->has(...), ['pictures/a/full.jpg', 'pictures/ab/full.jpg']));
    }

    public function testWhatIsOldGoesFromAllOfThem(): void
    {
        $one = $this->computer('one');
        $one->write('segments/ab/abc.mp4', 'frames');
        $one->write('segments/ab/abd.mp4', 'frames');
        $one->write('films/a/film.mp4', 'a film');
        $two = $this->computer('two');

        self::assertSame(0, $two->removeOld('segments', new \DateTimeImmutable('-1 minute')));
        self::assertSame(2, $two->removeOld('segments', new \DateTimeImmutable('+1 minute')));
        self::assertSame([false, true], array_map($this->computer('three')->has(...), ['segments/ab/abc.mp4', 'films/a/film.mp4']));
    }

    public function testAnEmptiedFolderIsFilledAgain(): void
    {
        $one = $this->computer('one');
        $one->write('words/a/a.png', 'drawn');
        unlink($one->path('words/a/a.png'));
        $one->fetch('words/a/a.png');

        self::assertFileExists($one->path('words/a/a.png'));
    }

    public function testWhatIsNowhereAndWhoMayNotAreNoFiles(): void
    {
        $one = $this->computer('one');
        try {
            $one->near('films/a/film.mp4');
            self::fail('it is nowhere');
        } catch (\Throwable) {
            self::assertSame([], glob($this->scratch->path('one/films/a/*')) ?: [], 'and nothing half of it is left');
        }
        $stranger = FarStore::store($this->scratch->path('stranger'), str_replace('key:', 'other:', $this->address));
        $this->expectException(\Throwable::class);
        $stranger->write('words/a/b.png', 'drawn');
    }

    public function testAnAddressThatIsNoneIsSaid(): void
    {
        self::assertNull(FarStore::of(''));
        $this->expectExceptionMessage('must look like');
        FarStore::of('ftp://somewhere');
    }
}
