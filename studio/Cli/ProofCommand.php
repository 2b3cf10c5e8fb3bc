<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Proof\Level;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderMakings;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('proof', 'Reads a folder for what would embarrass its maker; exit status 1 if something must be mended')]
final class ProofCommand extends FolderCommand
{
    protected function perform(Story $story, Plan $plan, FolderMakings $makings, InputInterface $input, OutputInterface $output): int
    {
        $must = false;
        foreach (Proof::read($story, $plan) as $finding) {
            $must = $must || Level::Must === $finding->level;
            $output->writeln((Level::Must === $finding->level ? 'Must be mended: ' : 'Better mended: ') . $finding->sentence, OutputInterface::OUTPUT_RAW);
        }

        return $must ? 1 : 0;
    }
}
