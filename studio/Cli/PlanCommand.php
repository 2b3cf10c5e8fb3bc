<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderMakings;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('plan', 'Prints the plan of a folder as JSON')]
final class PlanCommand extends FolderCommand
{
    protected function perform(Story $story, Plan $plan, FolderMakings $makings, InputInterface $input, OutputInterface $output): int
    {
        $output->writeln(json_encode($plan->toArray(), \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
