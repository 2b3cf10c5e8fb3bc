<?php

declare(strict_types=1);

namespace Rhapsode\Tests\Studio;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Sound\HowItSounds;
use Rhapsode\Studio\Messages\IcuCatalogue;

/**
 * One catalogue for both sides. That it is ICU MessageFormat (unicode-org.github.io/icu/userguide/format_parse/messages) shows in
 * that two independent readers of it, ICU itself here and FormatJS in tests/web/messages.test.ts, say the very same.
 */
final class MessagesTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    public function testWhatIsSaidIsInTheCatalogueWithWhatItIsSaidOf(): void
    {
        $catalogue = self::read('messages/en.json') + self::read('messages/film/en.json');
        $said = 0;
        foreach (self::sources() as $path => $source) {
            preg_match_all(
                "/new (Refused|Malformed|Unreadable|Message|Flaw|Problem)\\(\\s*(?:Severity::\\w+,\\s*|\\d+,\\s*)?'([a-z-]+(?:\\.[a-z-]+)*)'(?:,\\s*\\[((?:[^\\[\\]]|\\[[^\\[\\]]*\\])*)\\])?/",
                $source,
                $found,
                \PREG_SET_ORDER,
            );
            foreach ($found as $one) {
                $code = ('Flaw' === $one[1] ? 'proof.' : '') . $one[2];
                self::assertArrayHasKey($code, $catalogue, $path);
                preg_match_all("/'(\\w+)' =>/", $one[3] ?? '', $given);
                // A field is named by whoever reads it; a problem tells more than its message.
                $wanted = array_diff(self::arguments($catalogue[$code]), ['field']);
                if ('Problem' !== $one[1]) {
                    self::assertEqualsCanonicalizing($wanted, $given[1], "{$code} in {$path}");
                }
                ++$said;
            }
        }
        self::assertGreaterThan(100, $said);
    }

    /** What nobody says any more is taken out. */
    public function testAllThatIsInTheCatalogueIsSaid(): void
    {
        $all = implode("\n", iterator_to_array(self::sources()));
        // As a property of JSX it stands in other marks.
        preg_match_all("/['\"]([a-z-]+(?:\\.[a-z0-9-]+)+)['\"]/", $all, $whole);
        // Findings, refusals: a code made of a name of core's.
        $made = ['proof' => "/Flaw\\(\\s*Severity::\\w+,\\s*'([a-z-]+)'/", 'hand-in' => "/case \\w+ = '([a-z-]+)'/"];
        $codes = $whole[1];
        foreach (HowItSounds::cases() as $flaw) {
            array_push($codes, "proof.{$flaw->value}", "proof.{$flaw->value}.many");
        }
        foreach ($made as $section => $name) {
            preg_match_all($name, $all, $names);
            foreach ($names[1] as $one) {
                array_push($codes, "{$section}.{$one}", "{$section}.{$one}.many");
            }
        }

        self::assertSame([], array_values(array_diff(array_keys(self::read('messages/en.json')), $codes)));
    }

    /** @return iterable<string, array{string, array<string, string|int>, string}> */
    public static function examples(): iterable
    {
        foreach (self::json('tests/golden/messages.json') as $said => $of) {
            self::assertIsArray($of);
            $code = array_shift($of);
            self::assertIsString($code);
            $parameters = [];
            foreach ($of as $name => $value) {
                self::assertTrue(\is_int($value) || \is_string($value));
                $parameters[(string) $name] = $value;
            }
            yield $said => [$code, $parameters, $said];
        }
    }

    /** @param array<string, string|int> $parameters */
    #[DataProvider('examples')]
    public function testBothSidesSayTheSame(string $code, array $parameters, string $said): void
    {
        self::assertSame($said, (new IcuCatalogue())->say(new Message($code, $parameters), 'en-GB'));
    }

    public function testEveryMessageCanBeSaid(): void
    {
        foreach (self::read('messages/en.json') as $code => $pattern) {
            $said = (new IcuCatalogue())->say(new Message($code, array_fill_keys(self::arguments($pattern), 2)), 'en');
            self::assertDoesNotMatchRegularExpression('/[{}#]|^$/', $said, $code);
        }
    }

    public function testAMessageWithinAMessageIsSaidWithIt(): void
    {
        $message = new Message('folder.file-problem', ['file' => '1.jpg', 'problem' => new Message('file.empty')]);

        self::assertSame('1.jpg: This file is empty.', (new IcuCatalogue())->say($message, 'pt-BR'));
        self::assertEquals($message, Message::read(json_decode((string) json_encode($message), true)));
        self::assertSame('folder.file-problem {"file":"1.jpg","problem":{"code":"file.empty"}}', (new Refused($message))->getMessage());
    }

    /** What somebody wrote is never taken for a pattern. */
    public function testBracesInATitleStayAsTheyAre(): void
    {
        $message = new Message('film.work-by', ['title' => "{author} isn't '{here}'", 'author' => '<b>{title}</b>']);

        self::assertSame("“{author} isn't '{here}'” by <b>{title}</b>", (new IcuCatalogue())->say($message, 'en'));
    }

    /** Unicode CLDR has each language's quotation marks; digits stay those of the rest of the film. */
    public function testAFilmSpeaksTheLanguageOfItsStory(): void
    {
        $catalogue = new IcuCatalogue();
        $work = new Message('film.work-by', ['title' => 'T', 'author' => 'A']);

        self::assertSame(
            ['„T“ von A', '«T» de A', '「T」, A', '“T” by A'],
            array_map(static fn(string $tag): string => $catalogue->say($work, $tag), ['de-AT', 'fr', 'ja-JP', 'xx']),
        );
        self::assertSame('شريحة 12', $catalogue->say(new Message('film.slide', ['number' => '12']), 'ar-EG'));
        self::assertSame($catalogue->say($work, 'nb'), $catalogue->say($work, 'nn-NO'));
    }

    /** @return list<string> */
    private static function arguments(string $pattern): array
    {
        preg_match_all('/\{([a-zA-Z]+)(?=[,}])/', $pattern, $names);

        return array_values(array_unique($names[1]));
    }

    /** @return iterable<string, string> what stands in each file that says something */
    private static function sources(): iterable
    {
        foreach (['core', 'studio', 'src', 'web', 'migrations'] as $folder) {
            foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
                self::ROOT . '/' . $folder,
                \FilesystemIterator::SKIP_DOTS,
            )) as $file) {
                if ($file instanceof \SplFileInfo && \in_array($file->getExtension(), ['php', 'ts', 'tsx'], true)) {
                    yield $file->getPathname() => (string) file_get_contents($file->getPathname());
                }
            }
        }
    }

    /** @return array<string, string> */
    private static function read(string $path): array
    {
        return array_filter(self::json($path), is_string(...));
    }

    /** @return array<string, mixed> */
    private static function json(string $path): array
    {
        $read = json_decode((string) file_get_contents(self::ROOT . '/' . $path), true, 8, \JSON_THROW_ON_ERROR);

        return \is_array($read) ? array_filter($read, is_string(...), \ARRAY_FILTER_USE_KEY) : [];
    }
}
