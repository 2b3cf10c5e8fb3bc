<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Unreadable;

final class FolderTest extends TestCase
{
    private Scratch $scratch;

    protected function setUp(): void
    {
        $this->scratch = new Scratch();
        mkdir($this->scratch->path('story'));
    }

    private function in(string $name): string
    {
        return $this->scratch->path('story/' . $name);
    }

    private function read(): Story
    {
        return (new StoryFolder($this->scratch->path('story'), new FolderRenditions($this->scratch->path('kept'))))->read();
    }

    public function testTextsOfOldEditorsAreRead(): void
    {
        Media::picture($this->in('a.jpg'), width: 64, height: 36);
        // A byte order mark, line ends of another system, and Windows-1252.
        file_put_contents($this->in('title.txt'), "\xEF\xBB\xBFThe Mill\r\nand more");
        file_put_contents($this->in('a.txt'), "M\xFChle und Stra\xDFe\r\n");
        file_put_contents($this->in('sources.csv'), "\xEF\xBB\xBFlicence,file,author\r\nCC0,a.jpg,\"Ann, the second\"\r\n");
        $story = $this->read();

        self::assertSame(['The Mill', Layout::Title], [$story->title, $story->slides[0]->layout]);
        self::assertSame('Mühle und Straße', $story->slides[1]->script);
        $source = $story->pictureOf($story->slides[1])?->source;
        self::assertNotNull($source);
        self::assertSame(['Ann, the second', 'CC0', ''], [$source->author, $source->licence, $source->title]);
    }

    public function testWithoutATitleTheFolderNamesTheStoryAndNoTitleSlideIsMade(): void
    {
        Media::picture($this->in('a.jpg'), width: 64, height: 36);
        $story = $this->read();

        self::assertSame('story', $story->title);
        self::assertCount(1, $story->slides);
    }

    /** The example of docs/story-format.md is a story. */
    public function testTheExampleOfTheStoryFormatIsRead(): void
    {
        $docs = (string) file_get_contents(\dirname(__DIR__, 2) . '/docs/story-format.md');
        self::assertSame(1, preg_match('/```json\n(.*?)```/s', $docs, $example));
        file_put_contents($this->in('story.json'), $example[1]);
        Media::picture($this->in('dawn.jpg'), width: 2400, height: 1500);
        Media::sound($this->in('dawn.ogg'), 'sine=300', 9.1, ['-c:a', 'libopus', '-f', 'ogg']);
        $story = $this->read();

        self::assertSame('The Mill That Borrowed the Moon', $story->title);
        self::assertSame('dawn.ogg', $story->voiceOf($story->slides[1])?->file);
    }

    public function testADocumentLeadsNowhereButIntoItsFolder(): void
    {
        Media::picture($this->scratch->path('outside.jpg'), width: 64, height: 36);
        file_put_contents(
            $this->in('story.json'),
            '{"version":1,"title":"T","slides":[],"pictures":{"p":{"file":"../outside.jpg","width":64,"height":36}}}',
        );

        $this->expectExceptionObject(new Unreadable('folder.file-missing', ['file' => '../outside.jpg']));
        $this->read();
    }

    public function testABrokenDocumentIsSaidToBeSo(): void
    {
        file_put_contents($this->in('story.json'), '{"version":1,');

        $this->expectExceptionObject(
            new Unreadable('folder.file-problem', ['file' => 'story.json', 'problem' => new Message('document.not-json')]),
        );
        $this->read();
    }

    public function testWhatWasPreparedOnceIsNotPreparedAgain(): void
    {
        Media::picture($this->in('a.jpg'), width: 640, height: 360);
        $this->read();
        $prepared = glob($this->scratch->path('kept/picture-*/full.jpg')) ?: [];
        self::assertCount(1, $prepared);
        touch($prepared[0], 1_000_000_000);
        rename($this->in('a.jpg'), $this->in('b.jpg'));
        $this->read();
        clearstatcache();

        self::assertSame(1_000_000_000, filemtime($prepared[0]));
    }
}
