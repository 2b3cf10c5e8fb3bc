<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Geometry\Shape;
use Rhapsode\Core\Message\Catalogue;
use Rhapsode\Core\Message\Message;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Planner;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Story\StyleName;
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
    /** What is said before a story has been read, and so before its language is known. */
    protected const LANGUAGE = 'en';

    public function __construct(private readonly Catalogue $catalogue)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, $this->say('cli.folder.about'))
            ->addOption('shape', null, InputOption::VALUE_REQUIRED, $this->say('cli.shape.about', ['shapes' => self::shapes()]))
            ->addOption('language', null, InputOption::VALUE_REQUIRED, $this->say('cli.language.about'))
            ->addOption('style', null, InputOption::VALUE_REQUIRED, $this->say('cli.style.about', ['styles' => self::styles()]));
    }

    final protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $language = self::LANGUAGE;
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        try {
            $renditions = new FolderRenditions(self::kept());
            $out = $input->hasArgument('out') ? self::argument($input, 'out') : '';
            $folder = new StoryFolder(rtrim(self::argument($input, 'folder'), '/'), $renditions, $out);
            $story = self::asked($folder->read(), $input);
            $language = $story->language;

            $plan = (new Planner(new FontWidths(), $this->catalogue))->plan($story, $folder->lights($story));

            return $this->perform($story, $plan, $renditions, $input, $output);
        } catch (Unreadable $problem) {
            $errors->writeln($this->catalogue->say($problem->said, $language), OutputInterface::OUTPUT_RAW);
        } catch (ToolFailed $problem) {
            $errors->writeln($this->say('cli.film-failed', ['why' => $problem->getMessage()], $language), OutputInterface::OUTPUT_RAW);
        }

        return 2;
    }

    /** @throws Unreadable|ToolFailed */
    abstract protected function perform(
        Story $story,
        Plan $plan,
        FolderRenditions $renditions,
        InputInterface $input,
        OutputInterface $output,
    ): int;

    /** @throws Unreadable */
    private static function asked(Story $story, InputInterface $input): Story
    {
        $shape = self::option($input, 'shape');
        if (null !== $shape) {
            $story = $story->with(shape: Shape::tryFrom($shape) ?? throw new Unreadable('cli.shape', ['shapes' => self::shapes()]));
        }
        $language = self::option($input, 'language');
        if (null !== $language && 1 !== preg_match('/^[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/D', $language)) {
            throw new Unreadable('cli.language');
        }

        $style = self::option($input, 'style');
        if (null !== $style) {
            $name = StyleName::tryFrom($style) ?? throw new Unreadable('cli.style', ['styles' => self::styles()]);
            $story = $story->with(style: $story->style->named($name));
        }

        return null === $language ? $story : $story->with(language: $language);
    }

    /** @param array<string, string|int|float|Message> $parameters */
    final protected function say(string $code, array $parameters = [], string $language = self::LANGUAGE): string
    {
        return $this->catalogue->say(new Message($code, $parameters), $language);
    }

    private static function styles(): string
    {
        return implode(', ', array_column(StyleName::cases(), 'value'));
    }

    private static function shapes(): string
    {
        return implode(', ', array_column(Shape::cases(), 'value'));
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
