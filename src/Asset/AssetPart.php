<?php

declare(strict_types=1);

namespace Rhapsode\App\Asset;

use Doctrine\ORM\Mapping as ORM;

/** A part that the server holds. Its file is named by what it holds: another part of the same number never touches it. */
#[ORM\Entity]
class AssetPart
{
    public function __construct(
        #[ORM\Id, ORM\ManyToOne, ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public AssetRecord $asset,
        #[ORM\Id, ORM\Column]
        public int $number,
        #[ORM\Column(length: 64)]
        public string $hash,
        #[ORM\Column(type: 'bigint', options: ['default' => 0])]
        public int $bytes = 0,
    ) {}

    public function key(): string
    {
        return self::keyOf((string) $this->asset->id, $this->number, $this->hash);
    }

    public static function keyOf(string $asset, int $number, string $hash): string
    {
        return \sprintf('%s/part-%05d-%s', self::folderOf($asset), $number, substr($hash, 0, 16));
    }

    /** As parts were named before: what was acknowledged then is still there. */
    public function earlierKey(): string
    {
        return \sprintf('%s/part-%05d', self::folderOf((string) $this->asset->id), $this->number);
    }

    /** Where the parts of recordings have always been. */
    public static function folderOf(string $asset): string
    {
        return "takes/{$asset}";
    }
}
