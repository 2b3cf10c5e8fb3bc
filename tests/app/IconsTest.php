<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

/** The open set of icons: found and served to whoever is signed in, and nothing else by their addresses. */
final class IconsTest extends AppTestCase
{
    public function testTheyAreFoundInALanguage(): void
    {
        $found = $this->as('sam')->told('GET', '/api/icons.json?words=Segelboot&language=de');
        self::assertSame(['name' => 'sailboat', 'label' => 'Segelboot'], $found[0] ?? null);
        self::assertNotSame([], $this->told('GET', '/api/icons.json'));
        self::assertSame([], $this->told('GET', '/api/icons.json?words=' . str_repeat('x', 5000)));
        // A language that is none is no way to a file.
        self::assertNotSame([], $this->told('GET', '/api/icons.json?words=moon&language=' . urlencode('../../composer')));
    }

    public function testEachIsServedAsADrawingThatCannotAct(): void
    {
        $answer = $this->as('sam')->ask('GET', '/api/icons/bird.svg');
        self::assertSame(200, $answer->getStatusCode());
        self::assertSame('image/svg+xml', $answer->headers->get('Content-Type'));
        self::assertSame('nosniff', $answer->headers->get('X-Content-Type-Options'));
        self::assertStringContainsString("default-src 'none'", (string) $answer->headers->get('Content-Security-Policy'));
        $tinted = (string) $this->ask('GET', '/api/icons/bird.svg?dark=10162a&mid=ffb347&light=ffe3ae')->getContent();
        self::assertStringContainsString('fill="#10162a"', $tinted);
        foreach (['/api/icons/no-such-icon.svg', '/api/icons/..%2Fmake.svg', '/api/icons/words.svg', '/api/icons/BIRD.svg'] as $path) {
            self::assertSame(404, $this->ask('GET', $path)->getStatusCode(), $path);
        }
        foreach (['%22onload=1', 'red', '#10162a', '10162a%22/%3E%3Cscript%3E'] as $colour) {
            $told = $this->ask('GET', "/api/icons/bird.svg?dark={$colour}&mid=ffb347&light=ffe3ae");
            self::assertSame(404, $told->getStatusCode(), $colour);
        }
    }
}
