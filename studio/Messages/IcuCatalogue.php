<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Messages;

use Rhapsode\Core\Message\Catalogue;
use Rhapsode\Core\Message\Message;

/**
 * The catalogue in messages/, which the page reads too: ICU MessageFormat, one file for each language, and in film/ what is drawn
 * into films and written into their chapters, which more languages have.
 */
final class IcuCatalogue implements Catalogue
{
    private const FOLDER = __DIR__ . '/../../messages';
    /** What has another name in the catalogue (ISO 639: macrolanguages, and a code that was replaced). */
    private const ALSO = ['no' => 'nb', 'nn' => 'nb', 'iw' => 'he'];

    /** @var array<string, array<string, string>> by language, by code */
    private array $patterns = [];
    /** @var array<string, \MessageFormatter> by language and code: a pattern is read once */
    private array $formatters = [];

    /** @throws \LogicException where the catalogue does not have the code, or it is said of something that does not fit it */
    public function say(Message $message, string $language): string
    {
        $primary = strtolower((string) \Locale::getPrimaryLanguage($language));
        $spoken = $this->has($message->code, self::ALSO[$primary] ?? $primary) ? self::ALSO[$primary] ?? $primary : 'en';
        $pattern = $this->in($spoken)[$message->code] ?? throw new \LogicException("The catalogue has no {$message->code}.");
        $values = array_map(
            fn(mixed $value): mixed => $value instanceof Message ? $this->say($value, $language) : $value,
            $message->parameters,
        );
        // Digits as they stand everywhere else in the film and on the page.
        $said = ($this->formatters["{$spoken} {$message->code}"] ??= new \MessageFormatter(
            $spoken . '-u-nu-latn',
            $pattern,
        ))->format($values);

        return \is_string($said) ? $said : throw new \LogicException("{$message->code} cannot be said of that.");
    }

    /** @return list<string> the codes it has in English */
    public function codes(): array
    {
        return array_keys($this->in('en'));
    }

    public function has(string $code, string $language): bool
    {
        return isset($this->in($language)[$code]);
    }

    /** @return array<string, string> */
    private function in(string $language): array
    {
        return $this->patterns[$language] ??= 1 === preg_match('/^[a-z]{2,3}$/D', $language)
            ? self::file("{$language}.json") + self::file("film/{$language}.json")
            : [];
    }

    /** @return array<string, string> */
    private static function file(string $name): array
    {
        $path = self::FOLDER . '/' . $name;
        $read = is_file($path) ? json_decode((string) file_get_contents($path), true, 2, \JSON_THROW_ON_ERROR) : [];

        return array_filter(
            \is_array($read) ? $read : [],
            static fn(mixed $pattern, int|string $code): bool => \is_string($pattern) && \is_string($code),
            \ARRAY_FILTER_USE_BOTH,
        );
    }
}
