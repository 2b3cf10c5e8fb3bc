<?php

declare(strict_types=1);

namespace Rhapsode\Core\Picture;

use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Malformed;

/** What a picture lies on that is shown whole: itself, blurred and darkened; the paper of titles and credits; or a colour. */
final readonly class Ground
{
    public const BLURRED = 'blurred';
    public const PAPER = 'paper';

    /** @param string $told blurred, paper or #rrggbb */
    private function __construct(private string $told) {}

    public static function blurred(): self
    {
        return new self(self::BLURRED);
    }

    /** @throws Malformed */
    public static function read(Fields $in, string $key): self
    {
        $told = strtolower($in->text($key, 9, self::BLURRED));
        if (!\in_array($told, [self::BLURRED, self::PAPER], true) && 1 !== preg_match('/^#[0-9a-f]{6}$/D', $told)) {
            throw new Malformed('document.no-ground');
        }

        return new self($told);
    }

    /**
     * @param string $paper #rrggbb
     *
     * @return string|null #rrggbb; null where it is the picture itself
     */
    public function colour(string $paper): ?string
    {
        return match ($this->told) {
            self::BLURRED => null,
            self::PAPER => strtolower($paper),
            default => $this->told,
        };
    }

    public function toString(): string
    {
        return $this->told;
    }
}
