<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Proof\Praise;
use Rhapsode\Core\Proof\Proof;
use Rhapsode\Core\Proof\Severity;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('proof')]
final class ProofCommand extends FolderCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->setDescription($this->say('cli.proof'));
    }

    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $must = false;
        $findings = Proof::read($story, $plan);
        foreach (Praise::of($story, $findings) as $good) {
            $output->writeln($this->say('cli.good', ['praise' => $good], $story->language), OutputInterface::OUTPUT_RAW);
        }
        foreach ($findings as $finding) {
            $must = $must || Severity::Must === $finding->level;
            $numbers = array_map(
                static fn(string $id): int => (int) $story->indexOf($id) + 1,
                array_map(strval(...), array_keys($finding->slides)),
            );
            $said = \count($numbers) > 1 ? new Message(
                'cli.slides',
                ['finding' => $finding->message, 'slides' => implode(', ', $numbers)],
            ) : $finding->message;
            $output->writeln(
                $this->say(Severity::Must === $finding->level ? 'cli.must' : 'cli.should', ['finding' => $said], $story->language),
                OutputInterface::OUTPUT_RAW,
            );
        }

        return $must ? 1 : 0;
    }
}
