<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Proof\Praise;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Proof\Severity;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('proof', 'Reads a folder as a careful friend would: what is good, and what to mend; exit status 1 if something must be mended')]
final class ProofCommand extends FolderCommand
{
    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $must = false;
        $findings = Proof::read($story, $plan);
        foreach (Praise::of($story, $findings) as $good) {
            $output->writeln('Good: ' . $good, OutputInterface::OUTPUT_RAW);
        }
        foreach ($findings as $finding) {
            $must = $must || Severity::Must === $finding->level;
            $numbers = array_map(static fn(string $id): int => (int) $story->indexOf($id) + 1, array_map(strval(...), array_keys($finding->slides)));
            $output->writeln((Severity::Must === $finding->level ? 'Must be mended: ' : 'Better mended: ') . $finding->sentence . (\count($numbers) > 1 ? ' Slides ' . implode(', ', $numbers) . '.' : ''), OutputInterface::OUTPUT_RAW);
        }

        return $must ? 1 : 0;
    }
}
