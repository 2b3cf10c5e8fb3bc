<?php

declare(strict_types=1);

namespace Rhapsode\Core\Credits;

use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Layer\Icon\IconLayer;
use Rhapsode\Core\Layer\Icon\IconSet;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Story;

/** The credits, made from the sources of what the story uses, and from whom it quotes: each once, in order of its first appearance. */
final class Credits
{
    public const PER_PAGE = 6;
    /** Seconds to look up. */
    private const LOOKING_UP = 3.0;
    /** Seconds for an entry, at least. Common practice: it takes 1 to 2 seconds to look over. */
    private const LEAST = 1.0;
    /** Letters a second of one that is long: so what is usual takes one second, and what is twice as long takes two. */
    private const LOOKED_OVER = 100.0;

    /** @return list<string> one sentence for each source */
    public static function entries(Story $story, Wording $words): array
    {
        $entries = [];
        foreach ($story->slides as $slide) {
            foreach ($slide->layers as $layer) {
                $author = $layer instanceof WordsLayer && WordsRole::Quotation === $layer->role ? trim($layer->by) : '';
                if ('' !== $author) {
                    $entries[$words->quotation($author)] = true;
                }
                $picture = $story->picture((string) $layer->asset());
                if (null !== $picture && !$picture->source->isEmpty()) {
                    $entries[self::entry($picture->source, $words->picture(...))] = true;
                }
            }
        }

        $backdrop = $story->picture((string) $story->style->own->picture);
        if (null !== $backdrop && !$backdrop->source->isEmpty()) {
            $entries[self::entry($backdrop->source, $words->picture(...))] = true;
        }
        foreach ($story->slides as $slide) {
            foreach ($slide->layers as $layer) {
                if ($layer instanceof IconLayer && $layer->isOfTheSet()) {
                    $entries[self::entry(IconSet::source(), $words->icons(...))] = true;
                }
            }
        }
        foreach ($story->beds as $bed) {
            $music = $story->music($bed->asset);
            if (null !== $music && !$music->source->isEmpty()) {
                $entries[self::entry($music->source, $words->music(...))] = true;
            }
        }

        return array_map(strval(...), array_keys($entries));
    }

    /**
     * Title, author, source, licence: the four that a credit is asked to have (common practice).
     *
     * @param \Closure(string, string): string $work says a title and an author, either of which may be empty
     */
    private static function entry(Source $source, \Closure $work): string
    {
        // Shown without the scheme: a reader types it, and a page is met as https anyway.
        $link = (string) preg_replace('#^https?://(www\.)?|/$#', '', $source->link);

        return implode(
            ' · ',
            array_filter([$work($source->title, $source->author), $link, $source->licence], static fn(string $part): bool => '' !== $part),
        );
    }

    /** @return list<string> those that the film shows */
    public static function shown(Story $story, Wording $words): array
    {
        return $story->credits ? self::entries($story, $words) : [];
    }

    /**
     * @param list<string> $entries
     *
     * @return list<list<string>>
     */
    public static function pages(array $entries): array
    {
        if ([] === $entries) {
            return [];
        }
        $pages = (int) ceil(\count($entries) / self::PER_PAGE);

        // Even pages: seven entries are four and three, not six and one.
        return array_chunk($entries, max(1, (int) ceil(\count($entries) / $pages)));
    }

    /**
     * Seconds for which a page is seen.
     *
     * @param list<string> $page
     */
    public static function seconds(array $page): float
    {
        return self::LOOKING_UP + self::reading($page);
    }

    /**
     * Seconds to look entries over.
     *
     * @param list<string> $entries
     */
    public static function reading(array $entries): float
    {
        return array_sum(array_map(static fn(string $entry): float => max(self::LEAST, mb_strlen($entry) / self::LOOKED_OVER), $entries));
    }
}
