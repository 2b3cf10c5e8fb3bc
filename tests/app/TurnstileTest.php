<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Rhapsode\App\Shared\Busy;
use Rhapsode\App\Shared\Turnstile;

/** How many preparations may be under way at once. Each of the others holds its place on a connection of its own. */
final class TurnstileTest extends AppTestCase
{
    /** @var list<Connection> */
    private array $others = [];

    protected function tearDown(): void
    {
        foreach ($this->others as $other) {
            $other->close();
        }
        parent::tearDown();
    }

    /**
     * Does something while so many others of these persons are at work.
     *
     * @param \Closure(): mixed $act
     */
    private function while(\Closure $act, string ...$persons): mixed
    {
        foreach (array_reverse($persons) as $i => $person) {
            $url = parse_url((string) getenv('DATABASE_URL'));
            self::assertIsArray($url);
            $other = DriverManager::getConnection(['driver' => 'pdo_pgsql', 'host' => $url['host'] ?? '', 'port' => $url['port'] ?? 0, 'user' => $url['user'] ?? '', 'password' => $url['pass'] ?? '', 'dbname' => ltrim($url['path'] ?? '', '/')]);
            $this->others[] = $other;
            $inner = $act;
            $act = static function () use ($other, $person, $i, $inner): mixed {
                return (new Turnstile($other))->through($person, "thing {$i}", static fn(): mixed => $inner());
            };
        }

        return $act();
    }

    private function mine(string $what = 'mine'): string
    {
        return self::service(Turnstile::class)->through('me', $what, static fn(): string => 'done');
    }

    public function testOneAmongAFewIsLetThrough(): void
    {
        self::assertSame('done', $this->while(fn() => $this->mine(), 'me', 'you', 'her'));
        self::assertSame('done', $this->mine(), 'and the place is free again');
    }

    public function testAPersonDoesOnlySoMuchAtOnce(): void
    {
        $this->expectException(Busy::class);
        $this->while(fn() => $this->mine(), ...array_fill(0, Turnstile::PERSON, 'me'));
    }

    public function testTheHouseDoesOnlySoMuchAtOnce(): void
    {
        $this->expectException(Busy::class);
        $this->while(fn() => $this->mine(), ...array_map(static fn(int $i): string => "person {$i}", range(1, Turnstile::HOUSE)));
    }

    public function testTheSameThingIsNotDoneTwiceAtOnce(): void
    {
        $this->expectException(Busy::class);
        $this->while(fn() => $this->mine('thing 0'), 'you');
    }

    public function testWhoComesTooEarlyIsToldWhenToComeAgain(): void
    {
        $story = $this->as('sam')->story();
        $sam = (string) $this->people['sam']->id;
        $path = self::newPicture();
        $problem = $this->while(fn(): array => $this->bringIn($story, $path, status: 429), ...array_fill(0, Turnstile::PERSON, $sam));
        self::assertIsArray($problem);
        self::assertSame('1', $this->client->getResponse()->headers->get('Retry-After'));
        $this->bringIn($story, $path);
        unlink($path);
    }
}
