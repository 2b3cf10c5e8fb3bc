<?php

declare(strict_types=1);

namespace Rhapsode\App\Take;

use Doctrine\ORM\Mapping as ORM;

/** A part of a recording that the server holds. Its file is named by what it holds: another part of the same number never touches it. */
#[ORM\Entity]
class TakePart
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public TakeRecord $take,
        #[ORM\Id, ORM\Column]
        public int $number,
        #[ORM\Column(length: 64)]
        public string $hash,
    ) {}

    public function key(): string
    {
        return self::keyOf($this->take, $this->number, $this->hash);
    }

    public static function keyOf(TakeRecord $take, int $number, string $hash): string
    {
        return \sprintf('takes/%s/part-%05d-%s', $take->id, $number, substr($hash, 0, 16));
    }

    /** As parts were named before: what was acknowledged then is still there. */
    public function earlierKey(): string
    {
        return \sprintf('takes/%s/part-%05d', $this->take->id, $this->number);
    }
}
