<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\TestCase;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\ToolFailed;
use Symfony\Component\Process\Exception\ProcessTimedOutException;

/** What outside programs get to know, and how much of what they say is held. */
final class ToolTest extends TestCase
{
    public function testAProgramSeesNoSecretOfTheApplication(): void
    {
        $_ENV['APP_SECRET'] = $_SERVER['DATABASE_URL'] = 'secret';
        putenv('STORE_URL=secret');
        try {
            [$said] = Tool::run(['env']);
        } finally {
            unset($_ENV['APP_SECRET'], $_SERVER['DATABASE_URL']);
            putenv('STORE_URL');
        }
        $names = array_map(static fn(string $line): string => explode('=', $line)[0], explode("\n", trim($said)));
        sort($names);

        self::assertSame(['FONTCONFIG_FILE', 'HOME', 'LC_ALL', 'PATH'], $names);
    }

    public function testMuchOutputIsHandedOnLineByLine(): void
    {
        $lines = $sum = 0;
        $before = memory_get_usage();
        Tool::lines(['seq', '1', '500000'], static function (string $line) use (&$lines, &$sum): void {
            ++$lines;
            $sum += (int) $line;
        });

        self::assertSame([500_000, 125_000_250_000], [$lines, $sum]);
        self::assertLessThan(2_000_000, memory_get_usage() - $before, 'nothing of it is held');
    }

    public function testTheLastLineNeedsNoEnd(): void
    {
        $lines = [];
        Tool::lines(['printf', 'one\\ntwo'], static function (string $line) use (&$lines): void {
            $lines[] = $line;
        });
        self::assertSame(['one', 'two'], $lines);
    }

    public function testAProgramThatFailsSaysHow(): void
    {
        try {
            Tool::lines(['bash', '-c', 'echo why >&2; exit 3'], static fn(string $line): mixed => self::fail($line));
            self::fail('it failed');
        } catch (ToolFailed $failed) {
            self::assertSame(['bash', 3, 'why', null], [$failed->tool, $failed->exit, $failed->said, $failed->name]);
            self::assertSame('bash ended with 3: why', $failed->getMessage());
        }
    }

    public function testAProgramThatTakesTooLongIsNamedWithItsCause(): void
    {
        try {
            Tool::run(['sleep', '5'], 0.2);
            self::fail('it took too long');
        } catch (ToolFailed $failed) {
            self::assertSame(['sleep', null], [$failed->tool, $failed->exit]);
            self::assertInstanceOf(ProcessTimedOutException::class, $failed->getPrevious());
        }
    }

    public function testAFileIsToldByItsLastPartOnly(): void
    {
        $failed = ToolFailed::notRead('/srv/secret/pictures/a.jpg');
        self::assertSame(['a.jpg', 'a.jpg cannot be read.'], [$failed->name, $failed->getMessage()]);
    }
}
