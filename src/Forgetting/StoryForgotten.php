<?php

declare(strict_types=1);

namespace Rhapsode\App\Forgetting;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\HandIn\Guest;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\HandIn\Spoken\Spoken;
use Rhapsode\App\HandIn\Thanks\Thanks;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Story\StorySweeper;

use function Symfony\Component\Clock\now;

/** A story goes for good, and whatever was said of it. */
final readonly class StoryForgotten
{
    public function __construct(private EntityManagerInterface $entities, private Spoken $spoken, private StorySweeper $sweeper) {}

    /**
     * What was handed in of it stands no more, and it is deleted: nothing keeps it from going. Done twice it is done.
     *
     * @return list<string> what was spoken of it, whose files go once the rows have gone
     */
    public function forget(StoryRecord $story): array
    {
        $spoken = [];
        foreach ($this->entities->getRepository(HandIn::class)->findBy(['story' => $story]) as $handIn) {
            foreach ([Remark::class, PeerAnswer::class, Thanks::class] as $said) {
                foreach ($this->entities->getRepository($said)->findBy(['handIn' => $handIn]) as $one) {
                    $this->entities->remove($one);
                }
            }
            foreach ($this->entities->getRepository(Guest::class)->findBy(['handIn' => $handIn]) as $guest) {
                $this->entities->remove($guest);
                $this->entities->flush();
                $this->entities->remove($guest->person);
            }
            $this->entities->flush();
            foreach ($this->entities->getRepository(AssetRecord::class)->findBy(['place' => $handIn->id]) as $asset) {
                $this->entities->remove($asset);
                $spoken[] = (string) $asset->id;
            }
            $this->entities->remove($handIn);
        }
        $story->deletedAt ??= now();
        $this->entities->flush();

        return $spoken;
    }

    /**
     * @param list<string> $spoken of it, as forget() has told
     *
     * @return bool whether it went
     */
    public function remove(StoryRecord $story, array $spoken): bool
    {
        array_map($this->spoken->removeFiles(...), $spoken);

        return $this->sweeper->remove($story);
    }
}
