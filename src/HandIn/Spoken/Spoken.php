<?php

declare(strict_types=1);

namespace Rhapsode\App\HandIn\Spoken;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\AssetFiles;
use Rhapsode\App\Asset\AssetRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Refusals;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Asset\Voice;
use Rhapsode\Core\HandIn\HandInRefusal;
use Rhapsode\Core\Timing\Rate;
use Symfony\Component\Uid\Uuid;

/** What was spoken of a film: it comes in as a take does, its place is the hand-in, and a remark then says it. */
final readonly class Spoken
{
    public function __construct(private EntityManagerInterface $entities, private Store $store) {}

    /** What somebody spoke themselves, of this film, and is ready. */
    public function of(HandIn $handIn, User $who, string $id): SpokenVoice
    {
        $asset = Uuid::isValid($id) ? $this->entities->find(AssetRecord::class, $id) : null;
        $voice = AssetState::Ready === $asset?->state ? $asset->asset() : null;
        if (null === $asset || !$voice instanceof Voice || !$asset->place->equals($handIn->id) || !$asset->owner->is($who)) {
            throw Refusals::said(HandInRefusal::NotHeard);
        }

        return new SpokenVoice($asset, $voice->samples / Rate::SAMPLES);
    }

    /** It is said once: whoever presses twice has not said it twice. Asked while the hand-in is held. */
    public function unused(?AssetRecord $asset): void
    {
        if (null !== $asset && null !== $this->entities->getRepository(Remark::class)->findOneBy(['spoken' => $asset])) {
            throw Refusals::said(HandInRefusal::NotHeard);
        }
    }

    public function removeFiles(string $id): void
    {
        array_map($this->store->removeFolder(...), AssetFiles::folders($id));
    }
}
