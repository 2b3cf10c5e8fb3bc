<?php

declare(strict_types=1);

namespace Rhapsode\App\Classroom;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\Role;
use Rhapsode\App\Account\School;
use Rhapsode\App\Account\User;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('rhapsode:school', 'Makes a school with nobody in it, and prints the code by which its administrator comes in; nothing where it has one')]
final class SchoolCommand extends Command
{
    public function __construct(private readonly EntityManagerInterface $entities, private readonly Invitations $invitations)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('name', InputArgument::REQUIRED, 'What the school is called');
        $this->addOption('another', null, InputOption::VALUE_NONE, 'A code for another administrator, where nobody can come in as the first one');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $name = $input->getArgument('name');
        \assert(\is_string($name));
        $school = $this->entities->getRepository(School::class)->findOneBy(['name' => $name]);
        if (null === $school) {
            $school = new School($name);
            $this->entities->persist($school);
            $this->entities->flush();
        }
        $there = $this->entities->getRepository(User::class)->count(['school' => $school, 'role' => Role::Administrator]);
        if ($there > 0 && true !== $input->getOption('another')) {
            return self::SUCCESS;
        }
        $output->writeln($this->invitations->make($school, Role::Administrator)['code']);

        return self::SUCCESS;
    }
}
