<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderMakings;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;
use Rhapsode\Studio\Words\FontWidths;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** What the commands on a folder share: they read it, plan it, and say in one sentence what is wrong. */
abstract class FolderCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, 'A folder with a story.json, or with pictures, sounds and texts');
    }

    final protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        try {
            $makings = new FolderMakings(self::kept());
            $folder = new StoryFolder(rtrim(self::argument($input, 'folder'), '/'), $makings);
            $story = $folder->read();

            return $this->perform($story, (new Planner(new FontWidths()))->plan($story, $folder->lights($story)), $makings, $input, $output);
        } catch (Unreadable $problem) {
            $errors->writeln($problem->getMessage(), OutputInterface::OUTPUT_RAW);
        } catch (ToolFailed $problem) {
            $errors->writeln('The film could not be made. ' . $problem->getMessage(), OutputInterface::OUTPUT_RAW);
        }

        return 2;
    }

    /** @throws Unreadable|ToolFailed */
    abstract protected function perform(Story $story, Plan $plan, FolderMakings $makings, InputInterface $input, OutputInterface $output): int;

    protected static function argument(InputInterface $input, string $name): string
    {
        $value = $input->getArgument($name);

        return \is_string($value) ? $value : '';
    }

    /** Where prepared pictures, words and segments are kept between runs: the cache folder of the XDG Base Directory Specification. */
    private static function kept(): string
    {
        $home = getenv('HOME');

        return (getenv('XDG_CACHE_HOME') ?: (false === $home || '' === $home ? sys_get_temp_dir() : $home . '/.cache')) . '/rhapsode';
    }
}
