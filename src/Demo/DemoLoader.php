<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\MakeFilm;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\HandInState;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Picture\PictureFiles;
use Rhapsode\App\Picture\PictureRecord;
use Rhapsode\App\Shared\Clock;
use Rhapsode\App\Shared\Store;
use Rhapsode\App\Story\PlanMaker;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\App\Take\TakeRecord;
use Rhapsode\Core\Asset\Music;
use Rhapsode\Core\Asset\Picture;
use Rhapsode\Core\Asset\Source;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Edit\AddMusic;
use Rhapsode\Core\Framing\Fit;
use Rhapsode\Core\Layer\Picture\PictureLayer;
use Rhapsode\Core\Layer\Words\WordsLayer;
use Rhapsode\Core\Layer\Words\WordsRole;
use Rhapsode\Core\Story\Layout;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Span;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\Transition;
use Rhapsode\Core\Story\TransitionKind;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Core\Words\WordsPlace;
use Rhapsode\Studio\Prepare\MeasuredMusic;
use Rhapsode\Studio\Prepare\MusicPreparer;
use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Prepare\SoundPreparer;
use Rhapsode\Studio\Tool\Scratch;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** Loads the sample class of demo/class.json by the very same means as the application's own pages use. */
final class DemoLoader
{
    /** @var array<string, string> the first prepared copy of each picture, by name */
    private array $prepared = [];

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly PictureFiles $pictures,
        private readonly Store $store,
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
        $assignment = new Assignment($classroom, $task->text('title'), $task->text('task'), $task->whole('leastSeconds', 0, 9999), $task->whole('mostSeconds', 0, 9999), Clock::now()->modify('+' . $task->whole('dueInDays', 0, 999) . ' days'));
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
        $user = new User($in->text('name'), $in->text('firstName'), $role, $classroom);
        $user->password = $this->hasher->hashPassword($user, $password);
        $this->entities->persist($user);

        return $user;
    }

    /** @param array<string, Fields> $sources */
    private function story(Fields $in, array $sources, User $owner, Assignment $assignment): StoryRecord
    {
        $title = $in->text('title');
        $record = new StoryRecord($owner, new Story($title), $assignment);
        $this->entities->persist($record);
        $slides = $assets = [];
        if (!$in->flag('noTitle', false)) {
            $slides[] = new Slide((string) Uuid::v7(), Layout::Title, [
                new WordsLayer('title', WordsRole::Title), new WordsLayer('subtitle', WordsRole::Subtitle, $in->text('subtitle')),
            ], $in->text('opening'));
        }
        foreach ($in->objects('slides') as $slide) {
            $name = $slide->text('picture');
            $picture = $this->picture($record, $name);
            $assets[$picture->id] = $slide->flag('noSource', false) || !isset($sources[$name]) ? $picture : $picture->withSource(self::source($sources[$name]));
            $caption = $slide->text('caption');
            $slides[] = new Slide(
                (string) Uuid::v7(),
                layers: [
                    new PictureLayer('picture', $picture->id, fit: $slide->choice('fit', Fit::class, Fit::Auto)),
                    ...('' === $caption ? [] : [new WordsLayer('caption', WordsRole::Caption, $caption, $slide->choice('place', WordsPlace::class))]),
                ],
                script: $slide->text('script'),
                transition: $slide->has('join') ? new Transition($slide->choice('join', TransitionKind::class)) : null,
            );
        }
        foreach ($slides as $i => $slide) {
            $number = $i + ($in->flag('noTitle', false) ? 1 : 0);
            $file = \sprintf('%s-%02d.ogg', $in->text('name'), $number);
            if (is_file("{$this->demo}/voices/{$file}")) {
                $take = new TakeRecord($record, $slide->id, $file);
                $measured = (new SoundPreparer())->prepare("{$this->demo}/voices/{$file}", $this->store->path($take->key()));
                $this->store->share($take->key());
                $take->finished = true;
                $take->peaks = $measured->peaks;
                $this->entities->persist($take);
                $voice = $measured->voice((string) $take->id, $file);
                $assets[$voice->id] = $voice;
                $slides[$i] = $slide->with(voice: [new Span($voice->id, $voice->from, $voice->to)]);
            }
        }
        $story = new Story($title, $slides, $assets);
        if ($in->has('bed')) {
            $story = (new AddMusic($this->music($in->object('bed')), (string) Uuid::v7()))->apply($story);
        }
        $record->write($story);
        $record->seconds = $this->plans->plan($story)->seconds();

        return $record;
    }

    private function music(Fields $in): Music
    {
        $id = (string) Uuid::v7();
        $file = $in->text('file');
        $scratch = new Scratch();
        $measured = (new MusicPreparer())->prepare("{$this->demo}/music/{$file}", $scratch->folder);
        foreach ([MeasuredMusic::FULL, MeasuredMusic::LIGHT] as $part) {
            $this->store->once("music/{$id}/{$part}", static fn(string $to): bool => copy($scratch->path($part), $to));
        }

        return $measured->music($id, $file, self::source($in->object('source')));
    }

    /** Title, author, link and licence, in this order. */
    private static function source(Fields $in): Source
    {
        return new Source($in->text('0'), $in->text('1'), $in->text('2'), $in->text('3'));
    }

    private function picture(StoryRecord $story, string $name): Picture
    {
        $path = "{$this->demo}/pictures/{$name}.jpg";
        $record = new PictureRecord($story, (string) hash_file('sha256', $path), $name . '.jpg');
        $this->entities->persist($record);
        $folder = $this->pictures->folder((string) $record->id);
        if (isset($this->prepared[$name])) {
            (new Filesystem())->mirror($this->prepared[$name], $folder);
        } else {
            (new PicturePreparer())->prepare($path, $folder);
            $this->prepared[$name] = $folder;
        }
        $this->pictures->share((string) $record->id);
        [$width, $height] = getimagesize($path) ?: [1, 1];

        return new Picture((string) $record->id, $name . '.jpg', $width, $height);
    }

    private function handIn(Fields $in, HandIn $handIn, User $teacher): void
    {
        $handIn->state = $in->choice('state', HandInState::class);
        $handIn->answer = $in->text('answer', default: '');
        $handIn->answeredAt = HandInState::HandedIn === $handIn->state ? null : Clock::now();
        $this->entities->persist($handIn);
        $slides = $this->plans->plan($handIn->film->story())->scenes;
        foreach ($in->objects('remarks') as $remark) {
            $slide = $slides[$remark->whole('slide', 0, \count($slides) - 1)];
            $this->entities->persist(new Remark($handIn, $teacher, $slide->start + Rate::frames($remark->number('after', 0, 60)), $slide->id, $remark->text('text')));
        }
    }

    private function read(): Fields
    {
        return Fields::of(json_decode((string) file_get_contents($this->demo . '/class.json'), true, 16, \JSON_THROW_ON_ERROR));
    }
}
