<?php

declare(strict_types=1);

namespace Rhapsode\Core\Credits;

use Rhapsode\Core\Message\Catalogue;
use Rhapsode\Core\Message\Message;

/**
 * The few words of a film that its maker did not write, in the language of the story: the heading of the credits, whose a
 * picture or music is, and what a slide is called in the list of chapters.
 */
final readonly class Wording
{
    public function __construct(private Catalogue $catalogue, private string $language) {}

    public function credits(): string
    {
        return $this->say('film.credits');
    }

    /** @param int $number from 1 on */
    public function slide(int $number): string
    {
        return $this->say('film.slide', ['number' => (string) $number]);
    }

    /** @param string $name whose story it is */
    public function by(string $name): string
    {
        return $this->say('film.by', ['name' => $name]);
    }

    /** Over who did what. */
    public function madeBy(): string
    {
        return $this->say('film.made-by');
    }

    public function picture(string $title, string $author): string
    {
        return $this->work('film.picture-by', $title, $author);
    }

    public function music(string $title, string $author): string
    {
        return $this->work('film.music-by', $title, $author);
    }

    public function icons(string $title, string $author): string
    {
        return $this->work('film.icons-by', $title, $author);
    }

    public function quotation(string $author): string
    {
        return $this->say('film.words-by', ['author' => $author]);
    }

    /** “Title” by Author; where there is no title, what it is: Picture by Author. Empty where there is neither. */
    private function work(string $untitled, string $title, string $author): string
    {
        return match (true) {
            '' === $title && '' === $author => '',
            '' === $title => $this->say($untitled, ['author' => $author]),
            '' === $author => $this->say('film.work', ['title' => $title]),
            default => $this->say('film.work-by', ['title' => $title, 'author' => $author]),
        };
    }

    /** @param array<string, string> $parameters */
    private function say(string $code, array $parameters = []): string
    {
        return $this->catalogue->say(new Message($code, $parameters), $this->language);
    }
}
