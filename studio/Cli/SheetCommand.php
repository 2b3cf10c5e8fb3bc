<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Sheet\StorySheet;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('sheet')]
final class SheetCommand extends FolderCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->setDescription($this->say('cli.sheet'));
        $this->addArgument('out', InputArgument::REQUIRED, $this->say('cli.sheet-out.about'));
    }

    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $out = self::argument($input, 'out');
        if (1 !== preg_match('/\.(png|pdf)$/Di', $out)) {
            throw new Unreadable('cli.sheet-kind');
        }
        if (!is_dir(\dirname($out)) || !is_writable(\dirname($out))) {
            throw new Unreadable('cli.sheet-cannot-write');
        }
        (new StorySheet($renditions, $story, $plan))->write($out);
        $made = ['file' => $out, 'slides' => \count($plan->scenes), 'seconds' => \sprintf('%.1f', $plan->seconds())];
        $output->writeln($this->say('cli.made', $made, $plan->language), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
