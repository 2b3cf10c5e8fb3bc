<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\User;
use Rhapsode\App\Classroom\Assignment;
use Rhapsode\App\Classroom\Classroom;
use Rhapsode\App\Classroom\Membership;
use Rhapsode\App\Film\FilmRecord;
use Rhapsode\App\HandIn\HandIn;
use Rhapsode\App\HandIn\Remark;
use Rhapsode\App\Story\StoryRecord;
use Rhapsode\Core\Film\FilmState;
use Rhapsode\Core\HandIn\HandInState;

use function Symfony\Component\Clock\now;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** For measuring: a teacher with as many classes, students and hand-ins as there may be. */
#[AsCommand('rhapsode:crowd', 'Gives the sample\'s teacher thirty classes of forty students, who hand in two thousand films; for bin/bench')]
final class CrowdCommand extends Command
{
    private const CLASSES = 30;
    private const STUDENTS = 40;
    private const HAND_INS = 2000;
    private const REMARKS = 3;

    public function __construct(private readonly EntityManagerInterface $entities)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $left = self::HAND_INS;
        for ($class = 0; $class < self::CLASSES; ++$class) {
            $here = intdiv($left, self::CLASSES - $class);
            $left -= $here;
            $this->seat($class, $here);
            $this->entities->clear();
        }

        return self::SUCCESS;
    }

    private function seat(int $number, int $handIns): void
    {
        $teacher = $this->entities->getRepository(User::class)->findOneBy(['name' => 'maren']) ?? throw new \RuntimeException('The sample class is not loaded.');
        $sample = $this->entities->getRepository(StoryRecord::class)->findOneBy(['title' => 'The Mill That Borrowed the Moon']);
        $told = ($sample ?? throw new \RuntimeException('The sample class is not loaded.'))->story();
        $classroom = new Classroom("Crowd {$number}", $teacher->school, "crowd {$number}", $teacher);
        $assignments = [];
        foreach (['First', 'Second'] as $title) {
            $assignments[] = new Assignment($classroom, "{$title} task", 'Tell it in pictures.', 60, 180, now('+9 days'));
        }
        foreach ([$classroom, ...$assignments] as $one) {
            $this->entities->persist($one);
        }
        $students = [];
        for ($n = 0; $n < self::STUDENTS; ++$n) {
            $students[] = $student = new User($teacher->school, 0 === $n ? "crowd-{$number}" : null, "Child {$n}", Role::Student);
            // So that one of them can sign in.
            $student->password = 0 === $n ? $teacher->password : '';
            $this->entities->persist($student);
            $this->entities->persist(new Membership($student, $classroom));
        }
        for ($n = 0; $n < $handIns; ++$n) {
            $this->handIn($assignments[intdiv($n, self::STUDENTS) % 2], $students[$n % self::STUDENTS], $teacher, new StoryRecord($students[$n % self::STUDENTS], $told, $assignments[0]), $n);
        }
        $this->entities->flush();
    }

    private function handIn(Assignment $assignment, User $student, User $teacher, StoryRecord $story, int $n): void
    {
        $film = new FilmRecord($story);
        $film->state = FilmState::Done;
        $film->problems = [];
        $film->seconds = 110;
        $handIn = new HandIn($assignment, $student, $story, $film, 1);
        $handIn->state = [HandInState::HandedIn, HandInState::Accepted, HandInState::Returned][$n % 3];
        $this->entities->persist($story);
        $this->entities->persist($film);
        $this->entities->persist($handIn);
        for ($k = 0; $k < self::REMARKS; ++$k) {
            $this->entities->persist(new Remark($handIn, $teacher, 300 * $k, 's', 'Say where you saw this.'));
        }
    }
}
