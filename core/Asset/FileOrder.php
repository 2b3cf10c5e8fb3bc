<?php

declare(strict_types=1);

namespace Rhapsode\Core\Asset;

/** The order that people mean by their files' names: numbers by value (2 before 10), case and accents aside (UCA, through ICU). */
final class FileOrder
{
    /**
     * @param list<string> $names
     *
     * @return list<string>
     */
    public static function sorted(array $names): array
    {
        $collator = new \Collator('root');
        $collator->setAttribute(\Collator::NUMERIC_COLLATION, \Collator::ON);
        usort($names, static fn(string $a, string $b): int => (int) $collator->compare($a, $b) ?: strcmp($a, $b));

        return $names;
    }
}
