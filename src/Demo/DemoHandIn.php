<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Peers\PeerAnswer;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\HandIn\Thanks\Thanks;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Rubric\Marks;
use Rhapsode\Core\Rubric\Rubric;
use Rhapsode\Core\Timing\Rate;

use function Symfony\Component\Clock\now;

/** A sample film as it was handed in, and what was said of it by those who teach and by the class. */
final readonly class DemoHandIn
{
    public function __construct(private EntityManagerInterface $entities, private PlanMaker $plans) {}

    /**
     * @param array<string, User> $people by the names that they sign in with
     *
     * @return string its id
     */
    public function handIn(Fields $in, FilmRecord $film, int $number, User $teacher, array $people): string
    {
        $story = $film->story;
        $handIn = new HandIn($story->assignment ?? throw new \LogicException('A sample story is for its class\'s task.'), $story->owner, $story, $film, $number);
        $handIn->state = $in->choice('state', HandInState::class);
        $handIn->answer = $in->text('answer', default: '');
        $handIn->answeredAt = HandInState::HandedIn === $handIn->state ? null : now();
        if (null !== $handIn->answeredAt && null !== $handIn->assignment->rubric) {
            $rubric = Rubric::read(Fields::of($handIn->assignment->rubric));
            $handIn->rubric = $rubric->toArray();
            $handIn->levels = Marks::of($rubric, $in->object('levels')->all())->levels;
        }
        $this->entities->persist($handIn);
        $slides = $this->plans->plan($handIn->film->story())->scenes;
        foreach ($in->objects('remarks') as $remark) {
            $slide = $slides[$remark->whole('slide', 0, \count($slides) - 1)];
            $this->entities->persist(new Remark(
                $handIn,
                $teacher,
                $slide->start + Rate::frames($remark->number('after', 0, 60)),
                $slide->id,
                $remark->text('text'),
            ));
        }
        foreach ($in->has('peers') ? $in->objects('peers') : [] as $said) {
            $answer = new PeerAnswer($handIn, $people[$said->text('by')]);
            $answer->liked = $said->text('liked');
            $answer->wondered = $said->text('wondered');
            $answer->isShown = $said->flag('isShown');
            $answer->writtenAt = now();
            $this->entities->persist($answer);
        }
        foreach ($in->has('thanks') ? $in->objects('thanks') : [] as $thanks) {
            $this->entities->persist(new Thanks($handIn, $people[$thanks->text('by')], $thanks->text('words')));
        }

        return (string) $handIn->id;
    }
}
