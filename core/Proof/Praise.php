<?php

declare(strict_types=1);

namespace Rhapsode\Core\Proof;

use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;

/** What is good about a story: said before what is to be mended, and only where it is so. */
final class Praise
{
    /** What each message says is true where there is something of the kind and none of these findings. */
    private const CLEAR = ['silent', 'too-quiet', 'clipped', 'noisy'];
    private const READABLE = ['words-too-long', 'too-fast-to-read'];
    private const CREDITED = ['no-source', 'half-source', 'no-music-source', 'no-backdrop-source', 'half-music-source', 'no-picture'];
    private const LONG_ENOUGH = ['too-short', 'too-long'];

    /**
     * @param list<Finding> $findings of the same story
     *
     * @return list<Message>
     */
    public static function of(Story $story, array $findings, ?Wanted $wanted = null): array
    {
        $has = static fn(\Closure $is): bool => [] !== array_filter($story->slides, $is);
        $shown = $has(static fn(Slide $s): bool => null !== $s->picture());
        if (!$shown) {
            return [];
        }
        $found = array_map(static fn(Finding $f): string => $f->rule, $findings);
        /** @param list<string> $rules */
        $free = static fn(array $rules): bool => [] === array_intersect(array_filter($rules, is_string(...)), $found);

        return array_map(static fn(string $code): Message => new Message($code), array_keys(array_filter([
            'praise.title' => Layout::Title === $story->slides[0]->layout,
            'praise.long-enough' => null !== $wanted && $free(self::LONG_ENOUGH),
            'praise.spoken' => $has(static fn(Slide $s): bool => [] !== $s->voice && '' !== trim($s->script)) && $free(['script-unspoken', 'not-spoken']),
            'praise.clear' => $has(static fn(Slide $s): bool => [] !== $s->voice) && $free(self::CLEAR),
            'praise.readable' => $has(
                static fn(Slide $s): bool => null !== $s->picture() && $s->isWrittenOn(),
            ) && $free(self::READABLE),
            'praise.credited' => $free(self::CREDITED),
        ])));
    }
}
