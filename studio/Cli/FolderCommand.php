<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Folder\StoryFolder;
use Rhapsode\Studio\Tool\ToolFailed;
use Rhapsode\Studio\Tool\Unreadable;
use Rhapsode\Studio\Words\FontWidths;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** What the commands on a folder share: they read it, plan it, and say in one sentence what is wrong. */
abstract class FolderCommand extends Command
{
    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, 'A folder with a story.json, or with pictures, sounds and texts')
            ->addOption('shape', null, InputOption::VALUE_REQUIRED, 'The film\'s shape: ' . implode(', ', array_column(Shape::cases(), 'value')) . '; the story\'s own unless said otherwise')
            ->addOption('language', null, InputOption::VALUE_REQUIRED, 'The language of its words, such as en or pt-BR; the story\'s own unless said otherwise');
    }

    final protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        try {
            $renditions = new FolderRenditions(self::kept());
            $folder = new StoryFolder(rtrim(self::argument($input, 'folder'), '/'), $renditions);
            $story = self::asked($folder->read(), $input);

            return $this->perform($story, (new Planner(new FontWidths()))->plan($story, $folder->lights($story)), $renditions, $input, $output);
        } catch (Unreadable $problem) {
            $errors->writeln($problem->getMessage(), OutputInterface::OUTPUT_RAW);
        } catch (ToolFailed $problem) {
            $errors->writeln('The film could not be made. ' . $problem->getMessage(), OutputInterface::OUTPUT_RAW);
        }

        return 2;
    }

    /** @throws Unreadable|ToolFailed */
    abstract protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int;

    /** @throws Unreadable */
    private static function asked(Story $story, InputInterface $input): Story
    {
        $shape = self::option($input, 'shape');
        if (null !== $shape) {
            $story = $story->with(shape: Shape::tryFrom($shape) ?? throw new Unreadable('The shape must be one of ' . implode(', ', array_column(Shape::cases(), 'value')) . '.'));
        }
        $language = self::option($input, 'language');
        if (null !== $language && 1 !== preg_match('/^[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/D', $language)) {
            throw new Unreadable('The language must be a tag such as en or pt-BR.');
        }

        return null === $language ? $story : $story->with(language: $language);
    }

    protected static function option(InputInterface $input, string $name): ?string
    {
        $value = $input->getOption($name);

        return \is_string($value) ? $value : null;
    }

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
