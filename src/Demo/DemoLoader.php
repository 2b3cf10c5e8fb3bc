<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Classroom\Part;
use Rhapsode\App\Classroom\Rubrics\ShippedRubrics;
use Rhapsode\App\Classroom\Teaching;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\Film\MakeFilm;
use Rhapsode\Core\Document\Fields;
use Rhapsode\Core\Document\Limits;
use Rhapsode\Core\Proof\Asked;
use Rhapsode\Core\Rubric\Rubric;

use function Symfony\Component\Clock\now;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\MessageBusInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;

/** Loads the sample school of demo/school.json by the very same means as the application's own pages use. */
final class DemoLoader
{
    private School $school;

    /** @var array<string, User> by the names that the sample calls them */
    private array $people = [];

    /** What is put to the names that people sign in with, and to words of classes, where a sample is loaded several times. */
    private string $mark = '';

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly DemoStory $story,
        private readonly DemoHandIn $handIn,
        private readonly MessageBusInterface $bus,
        #[Autowire('%kernel.project_dir%/demo')]
        private string $folder,
    ) {}

    /** @return list<string> */
    public function signIns(): array
    {
        $school = $this->read('school');
        $names = static fn(Fields ...$people): string => implode(', ', array_map(static fn(Fields $one): string => $one->text('name'), $people));
        $students = array_map(
            fn(Fields $class): string => "of {$class->text('name')}: " . $names(...$class->objects('students')),
            $this->classes($school),
        );

        return [
            "Sign in as a teacher ({$names(...$school->objects('teachers'))}) or as a student " . implode('; ', $students),
            "The school's administrator is {$names($school->object('administrator'))}",
            'The password is always ' . $school->text('password'),
        ];
    }

    /** Another sample than the demo's: school.json and classes in a folder; its pictures and voices are the demo's. */
    public function from(string $folder): void
    {
        $this->folder = $folder;
    }

    /**
     * @param \Closure(string): void $tell
     * @param string                 $mark what tells one loading from another, in the names that people sign in with: "ivo-2"
     */
    public function load(\Closure $tell, string $mark = ''): void
    {
        $this->mark = $mark;
        $school = $this->read('school');
        $password = $school->text('password');
        $this->school = new School($school->text('school'));
        $this->entities->persist($this->school);
        $this->person($school->object('administrator'), Role::Administrator, $password);
        foreach ($school->objects('teachers') as $teacher) {
            $this->person($teacher, Role::Teacher, $password);
        }
        $films = [];
        foreach ($this->classes($school) as $class) {
            $sources = [...$school->named('sources'), ...$class->has('sources') ? $class->named('sources') : []];
            array_push($films, ...$this->class($class, $password, $sources, $tell));
        }
        foreach ($films as $film) {
            $this->bus->dispatch(new MakeFilm($film));
        }
    }

    /**
     * @param array<string, Fields>  $sources by pictures
     * @param \Closure(string): void $tell
     *
     * @return list<string> the films that are to be made
     */
    private function class(Fields $in, string $password, array $sources, \Closure $tell): array
    {
        $lead = $this->people[$in->text('lead')];
        $classroom = new Classroom($in->text('name'), $this->school, $in->text('word') . $this->mark, $lead);
        foreach ($in->ids('helpers') as $name) {
            $classroom->teachings->add(new Teaching($this->people[$name], $classroom, Part::Helper));
        }
        $this->entities->persist($classroom);
        foreach ($in->objects('students') as $student) {
            $this->entities->persist(new Membership($this->person($student, Role::Student, $password), $classroom));
        }
        $assignment = $this->assignment($in->object('assignment'), $classroom);
        $this->entities->persist($assignment);
        $this->entities->flush();
        $films = [];
        $handIns = [];
        foreach ($in->objects('stories') as $story) {
            $tell($story->text('title'));
            $record = $this->story->begin($story, $sources, $this->people, $assignment);
            if ($story->flag('film', false)) {
                $film = new FilmRecord($record);
                $film->seconds = $record->seconds;
                $this->entities->persist($film);
                $films[] = (string) $film->id;
                foreach ($story->objects('handIns') as $i => $handIn) {
                    $handIns[$story->text('name')] = $this->handIn->handIn($handIn, $film, $i + 1, $lead, $this->people);
                }
            }
            $this->entities->flush();
        }
        if ($in->has('screening')) {
            $assignment->screening = array_map(static fn(string $name): string => $handIns[$name], $in->ids('screening'));
            $this->entities->flush();
        }

        return $films;
    }

    private function person(Fields $in, Role $role, string $password): User
    {
        $user = new User($this->school, $in->text('name') . $this->mark, $in->text('firstName'), $role);
        $user->password = $this->hasher->hashPassword($user, $password);
        $this->entities->persist($user);

        return $this->people[$in->text('name')] = $user;
    }

    private function assignment(Fields $in, Classroom $classroom): Assignment
    {
        $assignment = new Assignment(
            $classroom,
            $in->text('title'),
            $in->text('task'),
            $in->whole('leastSeconds', 0, 9999),
            $in->whole('mostSeconds', 0, 9999),
            now('+' . $in->whole('dueInDays', 0, 999) . ' days'),
        );
        $assignment->rubric = $in->has('rubric') ? $this->rubric($in->text('rubric'))->toArray() : null;
        $assignment->asked = $in->has('asked') ? $in->choices('asked', Asked::class) : [];
        $assignment->together = $in->has('together') ? $in->whole('together', 1, Limits::TOGETHER) : 1;
        $assignment->peers = $in->has('peers') ? $in->whole('peers', 0, Limits::PEERS) : 0;
        $assignment->classSees = $in->flag('classSees', false);

        return $assignment;
    }

    private function rubric(string $title): Rubric
    {
        foreach (ShippedRubrics::all() as $one) {
            if ($title === $one->title) {
                return $one;
            }
        }
        throw new \RuntimeException("No rubric that ships is called {$title}.");
    }

    /** @return list<Fields> */
    private function classes(Fields $school): array
    {
        return array_map($this->read(...), $school->ids('classes'));
    }

    private function read(string $name): Fields
    {
        return Fields::of(json_decode((string) file_get_contents("{$this->folder}/{$name}.json"), true, 16, \JSON_THROW_ON_ERROR));
    }
}
