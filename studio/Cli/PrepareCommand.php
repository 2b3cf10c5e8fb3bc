<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Studio\Prepare\PicturePreparer;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Runs as a process of its own, so that a hostile picture can cost no more than this process is allowed. */
#[AsCommand('prepare', hidden: true)]
final class PrepareCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('picture', InputArgument::REQUIRED)->addArgument('folder', InputArgument::REQUIRED);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $picture = $input->getArgument('picture');
        $folder = $input->getArgument('folder');
        try {
            $said = (new PicturePreparer())->prepare(
                \is_string($picture) ? $picture : '',
                \is_string($folder) ? $folder : '',
                true,
            )->toArray();
        } catch (Unreadable $problem) {
            $said = ['problem' => $problem->said->toArray()];
        }
        $output->writeln(json_encode($said, \JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
