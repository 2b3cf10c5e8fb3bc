<?php

declare(strict_types=1);

namespace Rhapsode\Core\Classroom;

use Rhapsode\Core\Document\Fields;

/** A list of people as somebody has it lying about. */
final class NameList
{
    /** What columns of tables are called (their keys; English, and what school systems of other languages write often). */
    private const FIRST = ['firstname', 'givenname', 'forename', 'preferredgivenname', 'vorname', 'rufname', 'prenom', 'nombre', 'nome', 'voornaam', 'imie'];
    private const FAMILY = ['lastname', 'familyname', 'surname', 'nachname', 'familienname', 'nomdefamille', 'apellidos', 'cognome', 'achternaam', 'nazwisko'];

    /**
     * The first names of a list as people have it lying about: one to a line, or all in one line with commas; numbered or with a
     * mark before each; with a family name behind it, or before it with a comma ("Family, First"), as schools write it; or a table
     * whose first row names its columns.
     *
     * @return list<array{first: string, more: string}> in order; $more tells two of one name apart, and is not kept
     */
    public static function read(string $list): array
    {
        $lines = preg_split('/\n+/', trim(Fields::cleaned($list))) ?: [];
        if (1 === \count($lines)) {
            $lines = preg_split('/[,;]/', $lines[0]) ?: [];
        }
        $names = self::table($lines);
        foreach (null === $names ? $lines : [] as $line) {
            $line = trim((string) preg_replace('/^[\s\p{Zs}]*(?:\d+[.):]?|[-–—*•·])[\s\p{Zs}]+/u', '', $line));
            // What follows the first comma, or stands in the second column, is the first name.
            [$first, $more] = 1 === preg_match('/^([^,;\t]*)[,;\t](.*)$/u', $line, $parts) && '' !== trim($parts[2])
                ? [trim((string) preg_replace('/[,;\t].*/u', '', trim($parts[2]))), $parts[1]]
                : [trim($line, " \t,;"), ''];
            [$first, $rest] = array_pad(preg_split('/[\s\p{Zs}]+/u', $first, 2) ?: [], 2, '');
            $more = '' === trim($more) ? $rest : $more;
            if (1 === preg_match('/\p{L}/u', $first)) {
                $names[] = ['first' => mb_substr($first, 0, FirstName::MOST), 'more' => trim($more)];
            }
        }

        return $names ?? [];
    }

    /** The first name of one person, as another system calls them; '' where none is told. */
    public static function first(string $called): string
    {
        return self::read(strtr($called, "\n\t,;", '    '))[0]['first'] ?? '';
    }

    /**
     * The people of a table whose first row names its columns, whatever their order.
     *
     * @param list<string> $lines
     *
     * @return list<array{first: string, more: string}>|null where it is none
     */
    private static function table(array $lines): ?array
    {
        foreach (["\t", ';', ','] as $between) {
            $columns = array_map(FirstName::key(...), array_map(strval(...), str_getcsv($lines[0] ?? '', $between, escape: '')));
            $first = array_search(true, array_map(static fn(string $name): bool => \in_array($name, self::FIRST, true), $columns), true);
            if (false === $first || 1 === \count($columns)) {
                continue;
            }
            $family = array_search(true, array_map(static fn(string $name): bool => \in_array($name, self::FAMILY, true), $columns), true);
            $people = [];
            foreach (\array_slice($lines, 1) as $line) {
                $cells = array_map(static fn(?string $cell): string => trim((string) $cell), str_getcsv($line, $between, escape: ''));
                // Of a first name that is several, the first.
                $found = self::read(str_replace([',', ';', "\t"], ' ', $cells[$first] ?? ''));
                $more = false === $family ? '' : $cells[$family] ?? '';
                if ([] !== $found) {
                    $people[] = ['first' => $found[0]['first'], 'more' => '' === $more ? $found[0]['more'] : $more];
                }
            }

            return $people;
        }

        return null;
    }
}
