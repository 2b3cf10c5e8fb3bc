<?php

declare(strict_types=1);

namespace Rhapsode\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use Rhapsode\App\Account\User;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('rhapsode:demo', 'Loads the sample school into an empty database, or prints its sign-ins')]
final class DemoCommand extends Command
{
    public function __construct(private readonly EntityManagerInterface $entities, private readonly DemoLoader $loader)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('sign-ins', null, InputOption::VALUE_NONE, 'Only print the sign-ins');
        $this->addOption('from', null, InputOption::VALUE_REQUIRED, 'A folder with another school.json and its classes');
        $this->addOption('schools', null, InputOption::VALUE_REQUIRED, 'So many such schools, whose people sign in as "ivo-1", "ivo-2", ...');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $from = $input->getOption('from');
        if (\is_string($from)) {
            $this->loader->from($from);
        }
        if (true === $input->getOption('sign-ins')) {
            foreach ($this->loader->signIns() as $line) {
                $output->writeln($line);
            }

            return self::SUCCESS;
        }
        if ($this->entities->getRepository(User::class)->count() > 0) {
            return self::SUCCESS;
        }
        $output->writeln('Loading the sample school. Its films are then made in the background, which takes some minutes.');
        $schools = $input->getOption('schools');
        foreach (is_numeric($schools) ? array_map(static fn(int $n): string => "-{$n}", range(1, (int) $schools)) : [''] as $mark) {
            $this->loader->load(static fn(string $title) => $output->writeln('  ' . $title), $mark);
        }

        return self::SUCCESS;
    }
}
