<?php

declare(strict_types=1);

namespace Rhapsode\Core\Story\Upgrade;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/**
 * Reads what version 1 of the document said: a slide was one picture, one caption and one take; pictures, takes and music stood
 * in three tables. It comes out as version 2, which gives the same film. What version 1 kept but never showed (the caption of a
 * title slide, the heading of a picture) is left behind.
 */
final class From1
{
    /**
     * @return array<string, mixed>
     *
     * @throws Malformed
     */
    public static function document(Fields $in): array
    {
        $pictures = $in->named('pictures');
        $takes = $in->named('takes');
        // Three tables are one now: what had the name of something else gets one of its own.
        $take = static fn(int|string $id): string => isset($pictures[$id]) ? "take-{$id}" : (string) $id;
        $music = static fn(int|string $id): string => isset($pictures[$id]) || isset($takes[$id]) ? "music-{$id}" : (string) $id;
        return array_filter([
            'version' => 2,
            'title' => $in->raw('title'),
            'language' => $in->raw('language'),
            'shape' => $in->raw('shape'),
            'credits' => $in->raw('credits'),
            'slides' => array_map(static fn(Fields $slide): array => self::slide($slide, $takes, $take), $in->objects('slides')),
            'assets' => self::table('picture', $pictures, strval(...)) + self::table('voice', $takes, $take) + self::table(
                'music',
                $in->named('music'),
                $music,
            ),
            'beds' => array_map(static fn(Fields $bed): array => self::bed($bed, $music), $in->objects('beds')),
            'captions' => $in->raw('captions'),
        ], static fn(mixed $value): bool => null !== $value);
    }

    /**
     * @param array<string, Fields>        $assets
     * @param \Closure(int|string): string $name
     *
     * @return array<string, array<string, mixed>>
     */
    private static function table(string $kind, array $assets, \Closure $name): array
    {
        $named = [];
        foreach ($assets as $id => $asset) {
            $named[$name($id)] = self::asset($kind, $asset);
        }

        return $named;
    }

    /**
     * @param array<string, Fields>        $takes by id
     * @param \Closure(string): string     $name  what a take is called now
     *
     * @return array<string, mixed>
     */
    public static function slide(Fields $in, array $takes, \Closure $name): array
    {
        $isTitle = 'title' === $in->raw('kind');

        return [
            'id' => $in->raw('id'),
            'layout' => $isTitle ? 'title' : 'full',
            'layers' => $isTitle ? self::heading($in) : self::picture($in),
            'script' => $in->raw('script') ?? '',
            'voice' => self::voice($in, $takes, $name),
            'stay' => $in->raw('stay'),
            'transition' => $in->raw('join'),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function heading(Fields $in): array
    {
        return [
            ['id' => 'title', 'kind' => 'words', 'role' => 'title', 'text' => $in->raw('heading') ?? ''],
            ...('' === ($in->raw('subtitle') ?? '') ? [] : [
                ['id' => 'subtitle', 'kind' => 'words', 'role' => 'subtitle', 'text' => $in->raw('subtitle')],
            ]),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function picture(Fields $in): array
    {
        $layers = [];
        if ($in->has('picture')) {
            $layers[] = [
                'id' => 'picture', 'kind' => 'picture', 'asset' => $in->raw('picture'), 'fit' => $in->raw('fit') ?? 'auto',
                'framing' => ['motion' => self::motion($in), 'opensOn' => $in->raw('opensOn'), 'closesOn' => $in->raw('closesOn')],
            ];
        }
        $caption = $in->objectOrNull('caption');
        if (null !== $caption && ('' !== ($caption->raw('text') ?? '') || 'bottom' !== ($caption->raw('place') ?? 'bottom'))) {
            $layers[] = [
                'id' => 'caption',
                'kind' => 'words',
                'role' => 'caption',
                'text' => $caption->raw('text') ?? '',
                'place' => $caption->raw('place') ?? 'bottom',
            ];
        }

        return $layers;
    }

    /** A move that was set without its frames stood still. */
    private static function motion(Fields $in): mixed
    {
        return 'set' === $in->raw('motion') && !($in->has('opensOn') && $in->has('closesOn')) ? 'still' : $in->raw('motion') ?? 'auto';
    }

    /**
     * The whole take, or without the silence around the voice.
     *
     * @param array<string, Fields>    $takes
     * @param \Closure(string): string $name
     *
     * @return list<array<string, mixed>>
     */
    private static function voice(Fields $in, array $takes, \Closure $name): array
    {
        $id = $in->idOrNull('take');
        if (null === $id) {
            return [];
        }
        $take = $takes[$id] ?? throw new Malformed('document.voice-missing');

        return [true === ($in->raw('trimmed') ?? true)
            ? ['asset' => $name($id), 'from' => $take->raw('from'), 'to' => $take->raw('to')]
            : ['asset' => $name($id), 'from' => 0, 'to' => $take->raw('samples')]];
    }

    /** @return array<string, mixed> */
    public static function asset(string $kind, Fields $in): array
    {
        return ['kind' => $kind, ...$in->all()];
    }

    /**
     * @param \Closure(string): string $name what music is called now
     *
     * @return array<string, mixed>
     */
    public static function bed(Fields $in, \Closure $name): array
    {
        $bed = $in->all();
        $bed['asset'] = $name($in->id('music'));
        unset($bed['music']);

        return $bed;
    }
}
