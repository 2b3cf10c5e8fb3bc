<?php

declare(strict_types=1);

namespace Rhapsode\Core\Edit;

use Rhapsode\Core\Asset\Asset;
use Rhapsode\Core\Asset\AssetKind;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Story\Bed;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Upgrade\From1;

/** Reads the parts of a change of version 1 (whole slides, pictures, takes; all music and beds as one) as today's parts. */
final readonly class ChangeFrom1
{
    /** @param Story $story whose takes tell what version 1 left to be looked up */
    public function __construct(private Story $story) {}

    /**
     * @param array<string, mixed> $parts
     * @param array<string, mixed> $other the other side of the same change
     *
     * @return array<string, mixed>
     */
    public function parts(array $parts, array $other): array
    {
        $out = [];
        foreach ($parts as $key => $value) {
            [$table, $id] = explode(':', $key, 2) + [1 => ''];
            $out += match ($table) {
                'order' => ['slides' => $value],
                'slides' => $this->slide($id, $value, $other[$key] ?? null),
                'pictures' => ["assets/{$id}" => $this->asset('picture', $id, $value)],
                'takes' => ["assets/{$id}" => $this->asset('voice', $id, $value)],
                'music' => $this->music($value, $other[$key] ?? null),
                'beds' => $this->beds($value, $other[$key] ?? null),
                'version' => [],
                default => [$key => $value],
            };
        }

        return $out;
    }

    /** @return array<string, mixed> */
    private function slide(string $id, mixed $value, mixed $other): array
    {
        $mine = $this->partsOf($value);
        $theirs = $this->partsOf($other);
        $parts = [];
        foreach (array_keys($mine + $theirs) as $key) {
            if (($mine[$key] ?? null) !== ($theirs[$key] ?? null)) {
                $parts["slides/{$id}/{$key}"] = $mine[$key] ?? null;
            }
        }

        return $parts;
    }

    /** @return array<string, mixed> by what follows the slide's id */
    private function partsOf(mixed $value): array
    {
        if (null === $value) {
            return [];
        }
        $takes = array_map(
            static fn(Asset $asset): Fields => Fields::of($asset->toArray()),
            array_filter($this->story->assets, static fn(Asset $asset): bool => $asset instanceof Voice),
        );
        $slide = Slide::read(Fields::of(From1::slide(Fields::of($value), $takes, static fn(string $id): string => $id)));
        $parts = ['layers' => []] + $slide->toArray();
        $parts['layers'] = [];
        foreach ($slide->layers as $layer) {
            $parts['layers'][] = $layer->id();
            $parts['layers/' . $layer->id()] = $layer->toArray();
        }

        return $parts;
    }

    /** @return array<string, mixed>|null */
    private function asset(string $kind, string $id, mixed $value): ?array
    {
        return null === $value ? null : AssetKind::read($id, Fields::of(From1::asset($kind, Fields::of($value))))->toArray();
    }

    /** @return array<string, mixed> */
    private function music(mixed $value, mixed $other): array
    {
        $mine = \is_array($value) ? $value : [];
        $parts = [];
        foreach (array_keys($mine + (\is_array($other) ? $other : [])) as $id) {
            $parts["assets/{$id}"] = $this->asset('music', (string) $id, $mine[$id] ?? null);
        }

        return $parts;
    }

    /** @return array<string, mixed> */
    private function beds(mixed $value, mixed $other): array
    {
        $read = static function (mixed $beds): array {
            $byId = [];
            foreach (\is_array($beds) ? $beds : [] as $bed) {
                $read = Bed::read(Fields::of(From1::bed(Fields::of($bed), static fn(string $id): string => $id)));
                $byId[$read->id] = $read->toArray();
            }

            return $byId;
        };
        [$mine, $theirs] = [$read($value), $read($other)];
        $parts = ['beds' => array_keys($mine)];
        foreach (array_keys($mine + $theirs) as $id) {
            if (($mine[$id] ?? null) !== ($theirs[$id] ?? null)) {
                $parts["beds/{$id}"] = $mine[$id] ?? null;
            }
        }

        return $parts;
    }
}
