<?php

declare(strict_types=1);

namespace Rhapsode\App\TakeHome;

use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Standing;
use Rhapsode\App\Shared\Store;
use Rhapsode\Core\Document\Refused;

/** All films of a class for one task, with their captions, each by who made it. */
final readonly class FilmsArchive
{
    public function __construct(private Standing $standing, private Store $store) {}

    /** @return string its key in the store @throws Refused where nobody is told yet whose films they are, or there is none */
    public function of(Assignment $assignment): string
    {
        if ($this->standing->hidesNames($assignment)) {
            throw new Refused('hand-in.names-hidden');
        }
        $films = array_reverse($this->standing->of($assignment));
        if ([] === $films) {
            throw new Refused('take-home.no-films');
        }
        $which = hash('sha256', implode(' ', array_map(static fn(HandIn $one): string => "{$one->film->id} " . self::by($one), $films)));
        $folder = StoryArchive::FOLDER . "/{$assignment->id}";
        $key = "{$folder}/{$which}.zip";
        $this->store->has($key) || $this->store->removeFolder($folder);
        $this->store->once($key, fn(string $new) => $this->write($films, new Archive($new)));

        return $key;
    }

    /** @param list<HandIn> $films */
    private function write(array $films, Archive $archive): void
    {
        foreach ($films as $one) {
            $name = $archive->name(self::by($one) . " – {$one->film->title}", $one->film->container->value);
            $archive->file($name, $this->store->near($one->film->video()));
            $archive->file(pathinfo($name, \PATHINFO_FILENAME) . '.vtt', $this->store->near($one->film->captions()));
        }
        $archive->close();
    }

    private static function by(HandIn $handIn): string
    {
        return implode(', ', array_map(static fn(User $one): string => $one->firstName, $handIn->story->makers()));
    }
}
