<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Studio\Mux\FilmMaker;
use Rhapsode\Studio\Mux\Mixer;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Render\Segment;
use Rhapsode\Studio\Render\Segments;
use Rhapsode\Studio\Tool\Scratch;
use Rhapsode\Studio\Tool\Unreadable;
use Rhapsode\Tests\Core\EvenWidths;

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

    /** What is kept is kept by what it holds: a file of the same name and size that shows or says something else is another. */
    public function testAnotherFileUnderTheSameNameIsSeenAndHeard(): void
    {
        Media::picture($this->in('01.jpg'), 'xc:#C00000', 1280, 720);
        Media::sound($this->in('01.wav'), 'sine=220', 2.0);
        [$red, $low] = $this->filmed();
        self::assertSame([$red, $low], $this->filmed(), 'nothing is made anew');
        Media::picture($this->in('01.jpg'), 'xc:#0000C0', 1280, 720);
        [$blue, $same] = $this->filmed();
        self::assertNotSame([], array_diff($blue, $red));
        self::assertSame($low, $same);
        Media::sound($this->in('01.wav'), 'sine=440', 2.0);
        [$still, $high] = $this->filmed();
        self::assertSame($blue, $still);
        self::assertNotSame($low, $high);
    }

    /** @return array{list<string>, string} the names of what its film is put together from: its segments, and its sound */
    private function filmed(): array
    {
        $renditions = new FolderRenditions($this->scratch->path('kept'));
        $story = (new StoryFolder($this->scratch->path('story'), $renditions))->read();
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $format = FilmFormat::of($plan->shape, 'small');

        return [
            array_map(static fn(Segment $segment): string => $segment->name, Segments::of($plan, $format, $renditions->content(...))),
            Mixer::name($plan, $format, $renditions->content(...)),
        ];
    }

    /** The same in the film's own pixels. */
    public function testTheFilmShowsThePictureThatLiesThereNow(): void
    {
        $renditions = fn(): FolderRenditions => new FolderRenditions($this->scratch->path('kept'));
        $shown = [];
        foreach (['#C00000', '#0000C0'] as $colour) {
            Media::picture($this->in('01.jpg'), "xc:{$colour}", 1280, 720);
            $film = $this->scratch->path('film.mp4');
            $kept = $renditions();
            $story = (new StoryFolder($this->scratch->path('story'), $kept))->read();
            $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
            (new FilmMaker($kept, $kept->segments()))->make($plan, $film, FilmFormat::of($plan->shape, 'small'));
            $pixels = Media::frame($film, 30, 640, 360);
            $shown[] = $pixels[3 * (640 * 100 + 300)] > $pixels[3 * (640 * 100 + 300) + 2] ? 'red' : 'blue';
        }
        self::assertSame(['red', 'blue'], $shown);
    }
}
