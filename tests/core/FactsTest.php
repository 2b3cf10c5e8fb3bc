<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Core;

use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Proof\Asked;
use Rhapsode\Core\Proof\Fact;
use Rhapsode\Core\Proof\Facts;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Proof\Wanted;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Messages\IcuCatalogue;

final class FactsTest extends TestCase
{
    private const WHOLE = ['author' => 'Ann', 'licence' => 'CC BY 4.0'];

    /** Three pictures, two of them with a whole credit; two are spoken, one of these too quietly and without a script. */
    private static function story(): Story
    {
        $source = new Source(author: self::WHOLE['author'], licence: self::WHOLE['licence']);
        $spoken = static fn(string $id, string $take, string $script): Slide => Slide::showing($id, "p{$id}")->with(voice: [new Span($take, 0, 480_000)], script: $script);

        return new Story('Told', [
            $spoken('a', 'va', 'A sentence.'), $spoken('b', 'vb', ''),
            Slide::showing('c', 'pc')->withLayer(new WordsLayer('caption', WordsRole::Caption, str_repeat('Many words to be read. ', 6))),
        ], [
            'pa' => new Picture('pa', 'a.jpg', 2000, 1500, $source), 'pb' => new Picture('pb', 'b.jpg', 2000, 1500, $source),
            'pc' => new Picture('pc', 'c.jpg', 2000, 1500),
            'va' => new Voice('va', 'a.webm', 480_000, 0, 480_000, -21.4, -6.0), 'vb' => new Voice('vb', 'b.webm', 480_000, 0, 480_000, -46.0, -30.0),
            'm' => new Music('m', 'm.mp3', 4_800_000, -20.0, -18.0, -3.0, source: $source),
        ], beds: [new Bed('bed', 'm')]);
    }

    /** @return array<string, Fact> by their codes */
    private static function facts(Story $story, ?Wanted $wanted = null): array
    {
        $plan = (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story);
        $facts = Facts::of($story, $plan, Proof::read($story, $plan, $wanted), $wanted);

        return array_combine(array_map(static fn(Fact $one): string => $one->message->code, $facts), $facts);
    }

    public function testWhatIsCountedIsRightOrTheSlidesAreTold(): void
    {
        $facts = self::facts(self::story(), new Wanted(10, 60, leastSlides: 4, asked: [Asked::Voice]));
        $told = array_map(static fn(Fact $one): array => [$one->message->parameters, $one->isRight, $one->slides], $facts);
        self::assertSame([['count' => 3], false, []], $told['fact.slides']);
        // The music counts too.
        self::assertSame([['count' => 3, 'of' => 4], false, ['c']], $told['fact.named']);
        self::assertSame([['count' => 2, 'of' => 3], false, ['c']], $told['fact.spoken']);
        self::assertSame([['count' => 1, 'of' => 2, 'quietest' => -46.0, 'loudest' => -21.0], false, ['b']], $told['fact.clear-loud']);
        self::assertSame([['count' => 1, 'of' => 2], false, ['b']], $told['fact.captioned']);
        self::assertSame([['count' => 0, 'of' => 1], false, ['c']], $told['fact.readable']);
        self::assertTrue($facts['fact.length-asked']->isRight);
        self::assertSame(['0:10', '1:00'], [$facts['fact.length-asked']->message->parameters['least'], $facts['fact.length-asked']->message->parameters['most']]);
        self::assertFalse(self::facts(self::story(), new Wanted(60, 90))['fact.length-asked']->isRight);
    }

    public function testWhatIsNotAskedForIsCountedAndNotWrong(): void
    {
        $facts = self::facts(self::story());
        self::assertTrue($facts['fact.length']->isRight);
        self::assertTrue($facts['fact.slides']->isRight);
        self::assertSame([true, []], [$facts['fact.spoken']->isRight, $facts['fact.spoken']->slides]);
    }

    public function testWhatIsNotThereIsNotCounted(): void
    {
        self::assertSame(['fact.length', 'fact.slides'], array_keys(self::facts(new Story('Told', [new Slide('t')]))));
    }
}
