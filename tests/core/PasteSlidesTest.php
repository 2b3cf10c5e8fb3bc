<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\Change;
use Rhapsode\Core\Edit\PasteSlides;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;

final class PasteSlidesTest extends TestCase
{
    private static function picture(string $id, string $author = ''): Picture
    {
        return new Picture($id, "{$id}.jpg", 1600, 900, new Source('', $author));
    }

    public function testACopySaysTheSameOfItsOwnAssets(): void
    {
        $slide = new Slide(
            'old',
            layers: [new PictureLayer('picture', 'p')],
            script: 'Said.',
            voice: [new Span('v', 10, 20), new Span('w', 0, 5)],
            stay: 4.0,
        );
        $copy = $slide->copied('new', ['p' => 'q', 'v' => 'x']);

        self::assertSame(['p', 'v', 'w'], $slide->assets());
        self::assertSame(['q', 'x', 'w'], $copy->assets());
        self::assertEquals($slide->with(id: 'new'), $copy->copied('new', ['q' => 'p', 'x' => 'v']), 'and nothing else of it changed');
    }

    public function testTheyStandInTheirOrderBehindASlideWithTheirAssets(): void
    {
        $story = new Story('Told', [new Slide('a'), new Slide('b')], ['p' => self::picture('p', 'Ivo')]);
        $edit = new PasteSlides(
            [Slide::showing('one', 'p'), Slide::showing('two', 'q')],
            'a',
            [self::picture('p', 'Nobody'), self::picture('q')],
        );
        $pasted = $edit->apply($story)->checked();

        self::assertSame(['a', 'one', 'two', 'b'], array_map(static fn(Slide $slide): string => $slide->id, $pasted->slides));
        self::assertSame('Ivo', $pasted->assets['p']->source->author, 'what the story says of its own stays');
        self::assertEquals($story, Change::between($story, $pasted)->undone()->applyTo($pasted));
        self::assertSame('one', (new PasteSlides([new Slide('one')], null))->apply($story)->slides[0]->id);
    }

    public function testAStoryIsNotOverfilledNorASlidePastedTwice(): void
    {
        $full = new Story('Full', array_map(static fn(int $i): Slide => new Slide("s{$i}"), range(1, Limits::SLIDES - 1)));
        foreach ([[new Slide('one'), new Slide('two')], [new Slide('s1')]] as $slides) {
            try {
                (new PasteSlides($slides, null))->apply($full);
                self::fail('it must be refused');
            } catch (Refused $refused) {
                self::assertContains($refused->said->code, ['edit.slides-full', 'edit.slide-twice']);
            }
        }
    }
}
