<?php

declare(strict_types=1);

namespace Rhapsode\App\Film;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Document\Refused;
use Rhapsode\Core\Film\FilmAct;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Studio\Render\Container;
use Symfony\Component\Messenger\MessageBusInterface;

/** Orders films and calls orders off. What happens at the same moment happens one after the other. */
final readonly class Films
{
    public function __construct(private EntityManagerInterface $entities, private MessageBusInterface $bus) {}

    /**
     * The film of a story as it is now. The same asked for again is the same film.
     *
     * @return array{FilmRecord, bool} and whether it was ordered just now
     *
     * @throws Refused
     */
    public function order(StoryRecord $story, string $size, Container $container): array
    {
        return $this->entities->wrapInTransaction(function () use ($story, $size, $container): array {
            $this->entities->refresh($story, LockMode::PESSIMISTIC_WRITE);
            $film = new FilmRecord($story, $size, $container);
            if ([] === array_filter($film->story()->slides, static fn($slide): bool => !$slide->layout->isWordsAlone())) {
                throw new Refused('film.no-pictures-yet');
            }
            foreach ($this->entities->getRepository(FilmRecord::class)->findBy(
                ['story' => $story, 'documentHash' => $film->documentHash, 'size' => $size, 'container' => $container],
            ) as $same) {
                if (false === $same->plays()) {
                    $same->state = $same->state->after(FilmAct::Spoil);
                } elseif (!$same->state->isMadeAgain()) {
                    return [$same, false];
                }
            }
            // One that does not play gives its place away first.
            $this->entities->flush();
            // The order for it is kept together with the film, or neither is.
            $this->entities->persist($film);
            $this->entities->flush();
            $this->bus->dispatch(new MakeFilm((string) $film->id));

            return [$film, true];
        });
    }

    /** @throws Refused when the film was made before that */
    public function cancel(FilmRecord $film): void
    {
        $this->whileUnderWay($film, static function (FilmRecord $film): void {
            $film->state = $film->state->after(FilmAct::Cancel);
        }) || FilmState::Cancelled === $film->state || throw new Refused('film.over-already');
    }

    /**
     * Changes a film that is neither made nor stopped, as it is at this very moment.
     *
     * @param \Closure(FilmRecord): void $change
     *
     * @return bool whether it was changed
     */
    public function whileUnderWay(FilmRecord $film, \Closure $change): bool
    {
        return $this->entities->wrapInTransaction(function () use ($film, $change): bool {
            $this->entities->refresh($film, LockMode::PESSIMISTIC_WRITE);
            if ($film->state->isOver()) {
                return false;
            }
            $change($film);

            return true;
        });
    }
}
