<?php

declare(strict_types=1);

namespace Rhapsode\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rhapsode\App\Story\ViewPatch;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Edit\EditReader;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Messages\IcuCatalogue;
use Rhapsode\Tests\Core\EvenWidths;
use Rhapsode\Tests\Core\Stories;

/** A page that had one view and is told what changed has the other: JSON Patch, RFC 6902. */
final class ViewPatchTest extends TestCase
{
    /** @return list<array<string, mixed>> what changed from one to the other */
    private static function patch(Story $before, Story $after): array
    {
        $view = self::view($after);

        return ViewPatch::remember(self::view($before))->to(ViewPatch::remember($view), $view);
    }

    /** @return array<string, mixed> */
    private static function view(Story $story): array
    {
        $waveforms = array_map(
            static fn(): array => [0.5],
            array_filter($story->assets, static fn($asset): bool => 'voice' === $asset->kind()->value),
        );

        return [
            'story' => $story->toArray(), 'plan' => (new Planner(new EvenWidths(), new IcuCatalogue()))->plan($story)->toArray(),
            'praise' => [], 'proof' => [
                ['rule' => (string) \count($story->slides)],
            ], 'waveforms' => [] === $waveforms ? new \stdClass() : $waveforms,
        ];
    }

    /** As JSON has it: objects as objects. */
    private static function decoded(mixed $value): mixed
    {
        return json_decode(json_encode($value, \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR);
    }

    /** RFC 6902, section 4: add, remove, replace and move, on lists and objects. */
    private static function applied(mixed $document, mixed $op): mixed
    {
        \assert($op instanceof \stdClass && \is_string($op->op) && \is_string($op->path));
        $value = $op->value ?? null;
        if ('move' === $op->op) {
            \assert(\is_string($op->from ?? null));
            [$parent, $key] = self::place($document, $op->from);
            \assert(\is_array($parent));
            $value = $parent[(int) $key];
            array_splice($parent, (int) $key, 1);
            $document = self::put($document, $op->from, $parent);
        }
        [$parent, $key] = self::place($document, $op->path);
        if ($parent instanceof \stdClass) {
            $parent = clone $parent;
            if ('remove' === $op->op) {
                unset($parent->{$key});
            } else {
                $parent->{$key} = $value;
            }
        } else {
            \assert(\is_array($parent));
            array_splice(
                $parent,
                (int) $key,
                \in_array($op->op, ['remove', 'replace'], true) ? 1 : 0,
                'remove' === $op->op ? [] : [$value],
            );
        }

        return self::put($document, $op->path, $parent);
    }

    /** @return array{mixed, string} what holds the place, and the last part of its path */
    private static function place(mixed $document, string $path): array
    {
        $keys = explode('/', substr($path, 1));
        $last = (string) array_pop($keys);
        foreach ($keys as $key) {
            $document = $document instanceof \stdClass ? $document->{$key} : (\is_array($document) ? $document[(int) $key] : null);
        }

        return [$document, $last];
    }

    private static function put(mixed $document, string $path, mixed $parent): mixed
    {
        $keys = explode('/', substr($path, 1));
        array_pop($keys);
        if ([] === $keys) {
            return $parent;
        }
        $document = self::decoded($document);
        [$holder, $key] = self::place($document, '/' . implode('/', $keys));
        \assert($holder instanceof \stdClass);
        $holder->{$key} = $parent;

        return $document;
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 60) as $seed) {
            yield [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testWhatIsToldIsWhatChanged(int $seed): void
    {
        $story = Stories::random($seed);
        $slide = static fn(): string => 's' . mt_rand(0, 12);
        for ($i = 0; $i < 12; ++$i) {
            $edits = [
                [
                    'do' => 'rename',
                    'title' => "Title {$i}",
                ], ['do' => 'move slides', 'slides' => [$slide(), $slide()], 'after' => 0 === mt_rand(0, 1) ? null : $slide()],
                [
                    'do' => 'delete slides',
                    'slides' => [$slide()],
                ], ['do' => 'duplicate slides', 'slides' => [$slide()], 'copies' => ["c{$i}"]],
                [
                    'do' => 'set script',
                    'slide' => $slide(),
                    'script' => "Said {$i}.",
                ], ['do' => 'set stay', 'slides' => [$slide()], 'stay' => mt_rand(1, 60) / 2],
                ['do' => 'set layer', 'slide' => $slide(), 'layer' => 'caption', 'kind' => 'words', 'changes' => ['text' => "Fact {$i}"]],
                ['do' => 'set source', 'assets' => ['p' . mt_rand(0, 4)], 'source' => ['author' => "Ann {$i}"]], ['do' => 'drop captions'],
            ];
            try {
                $after = EditReader::read(Fields::of($edits[mt_rand(0, \count($edits) - 1)]))->apply($story)->checked();
            } catch (Refused|Malformed) {
                continue;
            }
            $ops = self::patch($story, $after);
            $decoded = self::decoded($ops);
            \assert(\is_array($decoded));
            $page = array_reduce($decoded, self::applied(...), self::decoded(self::view($story)));
            self::assertEquals(self::decoded(self::view($after)), $page);
            $story = $after;
        }
        self::assertSame([], self::patch($story, $story), 'nothing, where nothing changed');
    }

    /** The point of it: one word in a story of two hundred slides is a few hundred bytes. */
    public function testAWordInALongStoryIsALittleAnswer(): void
    {
        $story = Stories::of(array_fill(0, 200, ['caption' => 'A fact', 'script' => 'The tide comes in.']));
        $after = EditReader::read(Fields::of(['do' => 'set script', 'slide' => 's100', 'script' => 'The tide goes out.']))->apply($story);
        $whole = \strlen((string) json_encode(self::view($after)));

        self::assertLessThan($whole / 100, \strlen((string) json_encode(self::patch($story, $after))));
    }
}
