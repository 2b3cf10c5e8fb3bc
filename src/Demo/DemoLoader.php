<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Asset\Arriving;
use Rhapsode\App\Asset\Assets;
use Rhapsode\App\Asset\AssetWorker;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\MakeFilm;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\Stories;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Asset\AssetState;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Edit\AddSlide;
use Rhapsode\Core\Edit\Arrange;
use Rhapsode\Core\Edit\Edit;
use Rhapsode\Core\Edit\SetDrift;
use Rhapsode\Core\Edit\SetLayer;
use Rhapsode\Core\Edit\SetLayers;
use Rhapsode\Core\Edit\SetScript;
use Rhapsode\Core\Edit\SetSequence;
use Rhapsode\Core\Edit\SetSource;
use Rhapsode\Core\Edit\SetStyle;
use Rhapsode\Core\Edit\SetTransition;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Geometry\Spot;
use Rhapsode\Core\HandIn\HandInState;
use Rhapsode\Core\Layer\Drift\Drift;
use Rhapsode\Core\Layer\LayerKind;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Sequence;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Timing\Rate;

use function Symfony\Component\Clock\now;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** Loads the sample class of demo/class.json by the very same means as the application's own pages use. */
final class DemoLoader
{
    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly Assets $assets,
        private readonly AssetWorker $worker,
        private readonly Stories $stories,
        private readonly PlanMaker $plans,
        private readonly MessageBusInterface $bus,
        #[Autowire('%kernel.project_dir%/demo')]
        private readonly string $demo,
    ) {}

    /** @return list<string> */
    public function signIns(): array
    {
        $class = $this->read();
        $students = array_map(static fn(Fields $s): string => $s->text('name'), $class->objects('students'));

        return [
            'Sign in as the teacher ' . $class->object('teacher')->text('name') . ' or as a student: ' . implode(', ', $students),
            'The password is always ' . $class->text('password'),
        ];
    }

    /** @param \Closure(string): void $tell */
    public function load(\Closure $tell): void
    {
        $class = $this->read();
        $password = $class->text('password');
        $teacher = $this->person($class->object('teacher'), Role::Teacher, null, $password);
        $classroom = new Classroom($class->text('classroom'), $teacher);
        $task = $class->object('assignment');
        $assignment = new Assignment(
            $classroom,
            $task->text('title'),
            $task->text('task'),
            $task->whole('leastSeconds', 0, 9999),
            $task->whole('mostSeconds', 0, 9999),
            now('+' . $task->whole('dueInDays', 0, 999) . ' days'),
        );
        $this->entities->persist($classroom);
        $this->entities->persist($assignment);
        $students = [];
        foreach ($class->objects('students') as $student) {
            $students[$student->text('name')] = $this->person($student, Role::Student, $classroom, $password);
        }
        $this->entities->flush();
        $films = [];
        foreach ($class->objects('stories') as $story) {
            $tell($story->text('title'));
            $record = $this->story($story, $class->named('sources'), $students[$story->text('owner')], $assignment);
            if ($story->flag('film', false)) {
                $film = new FilmRecord($record);
                $film->seconds = $record->seconds;
                $this->entities->persist($film);
                $films[] = (string) $film->id;
                foreach ($story->objects('handIns') as $i => $handIn) {
                    $this->handIn($handIn, new HandIn($assignment, $record->owner, $record, $film, $i + 1), $teacher);
                }
            }
            $this->entities->flush();
        }
        foreach ($films as $film) {
            $this->bus->dispatch(new MakeFilm($film));
        }
    }

    private function person(Fields $in, Role $role, ?Classroom $classroom, string $password): User
    {
        $user = new User($in->text('name'), $in->text('firstName'), $role);
        if (null !== $classroom) {
            $this->entities->persist(new Membership($user, $classroom));
        }
        $user->password = $this->hasher->hashPassword($user, $password);
        $this->entities->persist($user);

        return $user;
    }

    /** @param array<string, Fields> $sources */
    private function story(Fields $in, array $sources, User $owner, Assignment $assignment): StoryRecord
    {
        $title = $in->text('title');
        $opening = $in->flag('noTitle', false) ? [] : [new Slide((string) Uuid::v7(), Layout::Title, [
            new WordsLayer('title', WordsRole::Title), new WordsLayer('subtitle', WordsRole::Subtitle, $in->text('subtitle')),
        ], $in->text('opening'))];
        $record = new StoryRecord($owner, new Story($title, $opening), $assignment);
        $this->entities->persist($record);
        $this->entities->flush();
        if ($in->has('style')) {
            $this->edit($record, new SetStyle(null, $in->choice('style', StyleName::class), []));
        }
        foreach ($in->has('onTitle') ? $in->objects('onTitle') : [] as $layer) {
            $this->edit($record, self::layer($record->story()->slides[0]->id, $layer));
        }
        foreach ($in->objects('slides') as $slide) {
            $this->slide($slide, $record, $sources);
        }
        if ($in->has('closing')) {
            $slides = $record->story()->slides;
            $this->edit($record, new AddSlide(new Slide((string) Uuid::v7(), Layout::Closing, [
                new WordsLayer('title', WordsRole::Title), new WordsLayer('subtitle', WordsRole::Subtitle, $in->text('closing')),
            ]), $slides[\count($slides) - 1]->id));
        }
        foreach ($record->story()->slides as $i => $slide) {
            $file = \sprintf('%s-%02d.ogg', $in->text('name'), $i + ($in->flag('noTitle', false) ? 1 : 0));
            if (is_file("{$this->demo}/voices/{$file}")) {
                $this->bringIn($record, Arriving::Voice, "voices/{$file}", $slide->id);
            }
        }
        if ($in->has('bed')) {
            $bed = $in->object('bed');
            $music = $this->bringIn($record, Arriving::Music, 'music/' . $bed->text('file'));
            $this->edit($record, new SetSource([$music], self::source($bed->object('source'))->toArray()));
        }

        return $record;
    }

    /** @param array<string, Fields> $sources */
    private function slide(Fields $in, StoryRecord $record, array $sources): void
    {
        $name = $in->text('picture');
        $id = (string) Uuid::v7();
        $asset = $this->bringIn($record, Arriving::Picture, "pictures/{$name}.jpg", $id);
        $edits = [
            new SetScript($id, $in->text('script')),
            new SetLayers([$id], LayerKind::Picture, ['fit' => $in->choice('fit', Fit::class, Fit::Auto)->value]),
        ];
        if ('' !== $in->text('caption')) {
            $edits[] = new SetLayer($id, 'caption', LayerKind::Words, [
                'role' => WordsRole::Caption->value,
                'text' => $in->text('caption'),
                'place' => $in->choice('place', Spot::class)->value,
            ]);
        }
        if ($in->has('join')) {
            $edits[] = new SetTransition([$id], new Transition($in->choice('join', TransitionKind::class)));
        }
        if (!$in->flag('noSource', false) && isset($sources[$name])) {
            $edits[] = new SetSource([$asset], self::source($sources[$name])->toArray());
        }
        $this->edit($record, ...$edits);
        foreach ($in->has('beside') ? $in->ids('beside') : [] as $name) {
            $asset = $this->bringIn($record, Arriving::Picture, "pictures/{$name}.jpg", $id, true);
            // One that the story has already has its source too.
            if (isset($record->story()->assets[$asset])) {
                $this->edit($record, new SetSource([$asset], self::source($sources[$name])->toArray()));
            }
        }
        $laid = [
            ...$in->has('layout') ? [new Arrange([$id], $in->choice('layout', Layout::class))] : [],
            ...array_map(static fn(Fields $layer): Edit => self::layer($id, $layer), $in->has('over') ? $in->objects('over') : []),
            ...$in->has('drift') ? [new SetDrift([$id], Drift::read($in->object('drift')))] : [],
            ...$in->has('sequence') ? [new SetSequence([$id], $in->choice('sequence', Sequence::class))] : [],
        ];
        if ([] !== $laid) {
            $this->edit($record, ...$laid);
        }
    }

    /** A layer as the document has it: an icon, a label. */
    private static function layer(string $slide, Fields $in): SetLayer
    {
        $changes = array_diff_key($in->all(), ['id' => true, 'kind' => true]);

        return new SetLayer($slide, $in->id('id'), $in->choice('kind', LayerKind::class), $changes);
    }

    private function edit(StoryRecord $record, Edit ...$edits): void
    {
        $this->stories->edit($record, array_values($edits), null, $record->owner);
    }

    /**
     * The very way that a page's files come in: begun, sent, finished, made ready.
     *
     * @return string the asset that it became
     */
    private function bringIn(StoryRecord $record, Arriving $kind, string $file, ?string $slide = null, bool $beside = false): string
    {
        $asset = $this->assets->begin($record->owner, $record->id, $kind, basename($file), $slide, beside: $beside);
        $this->assets->receive($asset, 0, (string) file_get_contents("{$this->demo}/{$file}"));
        $this->assets->finish($asset, 1);
        $this->worker->one($asset);
        if (AssetState::Ready !== $asset->state) {
            throw new \RuntimeException("{$file}: " . json_encode($asset->problem));
        }

        return (string) ($asset->same ?? $asset->id);
    }

    /** Title, author, link and licence, in this order. */
    private static function source(Fields $in): Source
    {
        return new Source($in->text('0'), $in->text('1'), $in->text('2'), $in->text('3'));
    }

    private function handIn(Fields $in, HandIn $handIn, User $teacher): void
    {
        $handIn->state = $in->choice('state', HandInState::class);
        $handIn->answer = $in->text('answer', default: '');
        $handIn->answeredAt = HandInState::HandedIn === $handIn->state ? null : now();
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
    }

    private function read(): Fields
    {
        return Fields::of(json_decode((string) file_get_contents($this->demo . '/class.json'), true, 16, \JSON_THROW_ON_ERROR));
    }
}
