<?php

declare(strict_types=1);

namespace Rhapsode\Core\Words;

use Rhapsode\Core\Geometry\Mount;

/**
 * What all that is seen in a story has in common: a pair of faces, its colours (#rrggbb), what decorates its titles, and how
 * words stand on pictures. What words say themselves wins.
 */
final readonly class Scheme
{
    /**
     * @param Type        $heading of titles and quotations
     * @param Type        $text    of all else
     * @param string      $ground  of slides that show words alone
     * @param string      $ink     of headings on it, $soft of what stands below them, $accent of the ornament
     * @param string|null $words   of words on pictures; null for white or dark, whichever is clearer
     * @param string|null $plate   that they stand on, where it is clear of them; null for dark or white
     * @param Backing     $backing what they stand on where nothing is told
     * @param Mount       $mount   of what lies in cells
     * @param float       $motion  how much pictures move by themselves, 1 for the usual; at most what is calm
     * @param CreditsWay  $credits how the sources are shown at the end
     * @param string|null $picture asset of what lies on the ground, seen through its colour; null for nothing
     */
    public function __construct(
        public Type $heading = new Type(Face::Reading),
        public Type $text = new Type(Face::Plain),
        public string $ground = self::PAPER,
        public string $ink = '#20242B',
        public string $soft = '#5A6070',
        public string $accent = '#2F3F7F',
        public Ornament $ornament = Ornament::Stitches,
        public ?string $words = null,
        public ?string $plate = null,
        public Backing $backing = Backing::Auto,
        public Mount $mount = new Mount(),
        public float $motion = 1.0,
        public CreditsWay $credits = CreditsWay::Pages,
        public ?string $picture = null,
    ) {}

    public const PAPER = '#FBF8F1';

    /** What a transition through light goes through: the ground where that is light, and else paper. */
    public function light(): string
    {
        return Contrast::luminance($this->ground) > 0.4 ? $this->ground : self::PAPER;
    }

    /** Of what an accent is made darker or lighter, a step at a time. */
    private const STEP = 0.04;

    /** The same for a slide that names a part of the story: its ground is the accent, as deep as what is the ground else needs to be clear on it. */
    public function forPart(): self
    {
        $luminance = Contrast::luminance($this->ground);
        $toward = $luminance > Contrast::luminance($this->accent) ? 0 : 255;
        $ground = $this->accent;
        for ($share = self::STEP; $share <= 1 && Contrast::ratio($luminance, Contrast::luminance($ground)) < Legibility::WANTED; $share += self::STEP) {
            $part = fn(int $at): int => (int) round(hexdec(substr($this->accent, $at, 2)) * (1 - $share) + $toward * $share);
            $ground = \sprintf('#%02x%02x%02x', $part(1), $part(3), $part(5));
        }
        $ink = Contrast::ratio($luminance, Contrast::luminance($ground)) < Legibility::WANTED ? Legibility::against($ground) : $this->ground;

        return new self(
            $this->heading,
            $this->text,
            $ground,
            $ink,
            $ink,
            $ink,
            $this->ornament,
            $this->words,
            $this->plate,
            $this->backing,
            $this->mount,
            $this->motion,
            $this->credits,
        );
    }

    /** Whether headings are clear of their ground without an edge (WCAG 2.2, 1.4.3: 4.5:1). */
    public function isClear(): bool
    {
        return Contrast::ratio(Contrast::luminance($this->ink), Contrast::luminance($this->ground)) >= Contrast::LEAST;
    }

    /** @return array<string, mixed> what a maker may change of it, as it is */
    public function toArray(): array
    {
        return [
            'heading' => $this->heading->face->value, 'text' => $this->text->face->value, 'ground' => strtolower($this->ground),
            'ink' => strtolower($this->ink), 'accent' => strtolower($this->accent), 'words' => strtolower($this->words ?? Legibility::LIGHT),
            'credits' => $this->credits->value, 'picture' => $this->picture, 'isClear' => $this->isClear(),
        ];
    }
}
