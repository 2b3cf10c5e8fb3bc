<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Layer\Drift\Depth;
use Rhapsode\Core\Layer\Drift\DriftKind;
use Rhapsode\Core\Layer\Drift\DriftSheet;
use Rhapsode\Core\Layer\Drift\Strength;
use Rhapsode\Core\Layer\Drift\Way;

/** Weather and light as pages get it: each sheet under the name that plans have, and nothing else. */
final class DriftsTest extends AppTestCase
{
    public function testEachIsServedUnderTheNameThatThePlanHas(): void
    {
        $this->as('sam');
        foreach (DriftKind::cases() as $i => $kind) {
            $sheet = new DriftSheet(Shape::cases()[$i], $kind, Way::cases()[2 * $i + 1], Strength::Much, Depth::cases()[$i % 2], 9999 - $i);
            $answer = $this->ask('GET', "/api/drifts/{$sheet->name()}.svg");
            self::assertSame(200, $answer->getStatusCode(), $sheet->name());
            self::assertSame('image/svg+xml', $answer->headers->get('Content-Type'));
            self::assertStringContainsString("default-src 'none'", (string) $answer->headers->get('Content-Security-Policy'));
            self::assertStringContainsString($sheet->drawn(), (string) $answer->getContent());
        }
    }

    public function testNothingElseIsDrawn(): void
    {
        $this->as('sam');
        foreach ([
            '16:9/hail/down/some/far-1', '16:9/snow/sideways/some/far-1', '16:9/snow/down/more/far-1', '3:2/snow/down/some/far-1',
            '16:9/snow/down/some/mid-1', '16:9/snow/down/some/far-x', '16:9/snow/down/some/far--1', '16:9/snow/down/some/far-10000',
        ] as $name) {
            self::assertSame(404, $this->ask('GET', "/api/drifts/{$name}.svg")->getStatusCode(), $name);
        }
    }
}
