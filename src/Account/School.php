<?php

declare(strict_types=1);

namespace Rhapsode\App\Account;

use Doctrine\ORM\Mapping as ORM;
use Rhapsode\Core\Classroom\Keeping;
use Rhapsode\Core\Document\Limits;

use function Symfony\Component\Clock\now;

use Symfony\Component\Uid\Uuid;

/** A house with its people and classes. Nobody of one school learns anything of another. */
#[ORM\Entity]
class School
{
    #[ORM\Id, ORM\Column(type: 'uuid')]
    public Uuid $id;

    /** Years that what a class has made is kept once it is archived; null for as long as there is room. */
    #[ORM\Column(nullable: true)]
    public ?int $keepsYears = null;

    /** When that was said last. */
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $keepingToldAt = null;

    public function __construct(
        #[ORM\Column(length: 120)]
        public string $name,
        /** By whose clock a day is over (IANA). */
        #[ORM\Column(length: 40, options: ['default' => 'UTC'])]
        public string $zone = 'UTC',
    ) {
        $this->id = Uuid::v7();
    }

    /** Said as it was already it is not said anew. */
    public function keep(?int $years): void
    {
        if ($years !== $this->keepsYears) {
            $this->keepsYears = $years;
            $this->keepingToldAt = now();
        }
    }

    /** @return string|null the day on which goes what is archived then; null where it stays */
    public function goesOn(\DateTimeImmutable $archivedAt): ?string
    {
        return null === $this->keepsYears ? null : Keeping::goesOn(
            $this->day($archivedAt),
            $this->keepsYears,
            $this->day(($this->keepingToldAt ?? now())->modify('+' . Limits::KEPT_NOTICE . ' days')),
        );
    }

    /** @return string the day that it is then by the school's clock (ISO 8601) */
    public function day(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone($this->zone))->format('Y-m-d');
    }
}
