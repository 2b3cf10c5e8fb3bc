<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Spoken;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\AssetPrepared;
use Rhapsode\App\HandIn\HandIn;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/** What was spoken of a film goes into no story: whoever spoke it makes it a remark. Asked before stories are. */
#[AsEventListener(priority: 10)]
final readonly class SpokenComesIn
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function __invoke(AssetPrepared $event): void
    {
        $event->isPlaced = $event->isPlaced || null !== $this->entities->find(HandIn::class, $event->record->place);
    }
}
