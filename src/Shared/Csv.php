<?php

declare(strict_types=1);

namespace Rhapsode\App\Shared;

/** Comma-separated values: RFC 4180, in UTF-8, with or without a mark of byte order. */
final class Csv
{
    /**
     * @return list<array<string, string>> rows by the names of their columns; what a row lacks is ''
     */
    public static function read(string $text): array
    {
        $file = self::memory();
        fwrite($file, preg_replace('/^\xEF\xBB\xBF/', '', $text) ?? '');
        rewind($file);
        $columns = array_map(static fn(?string $name): string => trim((string) $name), fgetcsv($file, escape: '') ?: []);
        $rows = [];
        while (\is_array($row = fgetcsv($file, escape: ''))) {
            if ([null] !== $row) {
                $cells = array_map(static fn(?string $cell): string => trim((string) $cell), $row);
                $rows[] = array_combine($columns, \array_slice(array_pad($cells, \count($columns), ''), 0, \count($columns)));
            }
        }
        fclose($file);

        return $rows;
    }

    /** @param list<list<string>> $rows the names of the columns first */
    public static function write(array $rows): string
    {
        $file = self::memory();
        foreach ($rows as $row) {
            fputcsv($file, array_map(self::harmless(...), $row), escape: '', eol: "\r\n");
        }
        rewind($file);
        $text = (string) stream_get_contents($file);
        fclose($file);

        return $text;
    }

    /** A cell that a table's program would take for a formula is one no longer (OWASP, CSV injection). */
    private static function harmless(string $cell): string
    {
        return 1 === preg_match('/^[=+@\t\r]|^-./', $cell) ? "'{$cell}" : $cell;
    }

    /** @return resource */
    private static function memory(): mixed
    {
        return fopen('php://memory', 'r+') ?: throw new \RuntimeException('There is no memory for a table.');
    }
}
