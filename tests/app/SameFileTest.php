<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Doctrine\DBAL\Connection;
use PHPUnit\Framework\Attributes\TestWith;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\Asset\AssetWorker;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\StorySweeper;
use Rhapsode\Studio\Prepare\PreparedPicture;

/** Thirty have the same picture from their teacher: it is made ready once, and is each one's own all the same. */
final class SameFileTest extends AppTestCase
{
    private string $picture;

    protected function setUp(): void
    {
        parent::setUp();
        $this->picture = self::newPicture();
    }

    protected function tearDown(): void
    {
        unlink($this->picture);
        parent::tearDown();
    }

    /** @return array{string, AssetRecord} their story, and what the picture became in it */
    private function brings(string $who, string $name): array
    {
        $this->as($who);
        $story = $this->told('POST', '/api/stories', ['title' => "Of {$who}"], 201)['id'];
        \assert(\is_string($story));
        $id = $this->sent($story, $this->picture, $name, 'picture', 'pic');
        $asset = $this->entities()->find(AssetRecord::class, $id);
        \assert(null !== $asset);
        self::service(AssetWorker::class)->one($asset);

        return [$story, $asset];
    }

    /** Where a file of it lies on the disk. */
    private static function inode(AssetRecord $asset, string $file = PreparedPicture::MASTER): int
    {
        return (int) fileinode(self::service(Store::class)->folder() . "/pictures/{$asset->id}/{$file}");
    }

    public function testItIsTheSameOnTheDiskAndEachOnesOwn(): void
    {
        [$first, $sams] = $this->brings('sam', 'Lock.png');
        [$second, $sues] = $this->brings('sue', 'from my teacher.png');
        self::assertSame(self::inode($sams), self::inode($sues));
        self::assertSame(self::inode($sams, PreparedPicture::THUMB), self::inode($sues, PreparedPicture::THUMB));
        self::assertSame('from my teacher.png', $sues->measured['file']);
        self::assertSame(array_diff_key($sams->measured, ['file' => '']), array_diff_key($sues->measured, ['file' => '']));
        self::assertNull($sues->same);

        // Whatever becomes of the first, and nobody sees another's by it.
        $this->as('sue')->told('GET', "/api/stories/{$first}", null, 404);
        $this->as('sam')->ask('DELETE', "/api/stories/{$first}");
        self::service(Connection::class)->executeStatement("UPDATE story SET deleted_at = '2020-01-01' WHERE id = ?", [$first]);
        $this->entities()->clear();
        self::assertSame(1, self::service(StorySweeper::class)->sweep());
        self::assertSame(200, $this->as('sue')->ask('GET', "/api/stories/{$second}/assets/{$sues->id}/thumb.jpg")->getStatusCode());
    }

    /** Once more in its own story it has no files of its own, and whoever brings it in next has it from the first. */
    public function testItIsNeverHadFromOneThatHasNoFiles(): void
    {
        [$story] = $this->brings('sam', 'Lock.png');
        // In the place of the picture on its own slide, and of another's.
        foreach (['pic', 'pic2'] as $slide) {
            $again = $this->sent($story, $this->picture, 'once more.png', 'picture', $slide);
            $asset = $this->entities()->find(AssetRecord::class, $again);
            \assert(null !== $asset);
            self::service(AssetWorker::class)->one($asset);
            self::assertSame('ready', $asset->state->value);
        }
        [, $sues] = $this->brings('sue', 'Lock.png');
        foreach (PreparedPicture::files(false) as $file) {
            self::assertTrue(self::service(Store::class)->has("pictures/{$sues->id}/{$file}"), $file);
        }
    }

    public function testWhatWasMadeReadyLongAgoIsMadeReadyAnew(): void
    {
        [, $sams] = $this->brings('sam', 'Lock.png');
        self::service(Connection::class)->executeStatement("UPDATE asset SET begun_at = begun_at - INTERVAL '31 days' WHERE id = ?", [(string) $sams->id]);
        [, $sues] = $this->brings('sue', 'Lock.png');

        self::assertNotSame(self::inode($sams), self::inode($sues));
    }

    /** What one school has another does not come to know of, not even by how long it takes. */
    #[TestWith(['ben', true])]
    #[TestWith(['tara', true])]
    #[TestWith(['olga', false])]
    public function testWhatIsTheSameIsSoWithinASchool(string $who, bool $isSame): void
    {
        [, $sams] = $this->brings('sam', 'Lock.png');
        [, $theirs] = $this->brings($who, 'Lock.png');

        self::assertSame($isSame, self::inode($sams) === self::inode($theirs));
    }
}
