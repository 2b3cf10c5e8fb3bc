<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Mux\FilmMaker;
use Rhapsode\Studio\Render\Container;
use Rhapsode\Studio\Render\FilmFormat;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Helper\ProgressBar;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('film')]
final class FilmCommand extends FolderCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->setDescription($this->say('cli.film'));
        $this->addArgument('out', InputArgument::REQUIRED, $this->say('cli.out.about'))
            ->addOption(
                'size',
                null,
                InputOption::VALUE_REQUIRED,
                $this->say('cli.size.about', ['sizes' => implode(', ', FilmFormat::SIZES)]),
                '720',
            )
            ->addOption('height', null, InputOption::VALUE_REQUIRED, $this->say('cli.height.about'))
            ->addOption('workers', null, InputOption::VALUE_REQUIRED, $this->say('cli.workers.about'));
    }

    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $out = self::argument($input, 'out');
        $format = self::format($input, $plan, $out);
        if (!is_dir(\dirname($out)) || !is_writable(\dirname($out))) {
            throw new Unreadable('cli.cannot-write');
        }
        $bar = new ProgressBar($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output);
        $places = ['done' => '%current%', 'all' => '%max%', 'bar' => '%bar%', 'percent' => '%percent:3s%%', 'left' => '%remaining:6s%'];
        $bar->setFormat(' ' . $this->say('cli.progress', $places, $plan->language));
        (new FilmMaker(
            $renditions,
            $renditions->segments(),
            self::workers($input),
        ))->make($plan, $out, $format, static function (int $done, int $total) use ($bar): void {
            // With no frame to draw there is no length that a bar could show: only the sound is mixed, or nothing is done.
            if ($total > 0) {
                $bar->setMaxSteps($total);
                $bar->setProgress($done);
            }
        });
        if ($bar->getMaxSteps() > 0) {
            $bar->finish();
        }
        file_put_contents((string) preg_replace('/\.[^.\/]*$/', '', $out) . '.vtt', WebVtt::write($plan->cues, $plan->language));
        $output->writeln('');
        $made = ['file' => $out, 'slides' => \count($plan->scenes), 'seconds' => \sprintf('%.1f', $plan->seconds())];
        $output->writeln($this->say('cli.made', $made, $plan->language), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /** @throws Unreadable */
    private static function format(InputInterface $input, Plan $plan, string $out): FilmFormat
    {
        $container = Container::tryFrom(strtolower(pathinfo($out, \PATHINFO_EXTENSION))) ?? throw new Unreadable('cli.film-kind');
        $height = self::option($input, 'height');
        if (null !== $height) {
            if (1 !== preg_match('/^\d{3,4}$/D', $height) || (int) $height < 144 || (int) $height > 2160 || 0 !== (int) $height % 2) {
                throw new Unreadable('cli.height');
            }

            return FilmFormat::high($plan->shape, (int) $height, $container);
        }
        $size = self::option($input, 'size') ?? '';
        if (!\in_array($size, FilmFormat::SIZES, true)) {
            throw new Unreadable('cli.size', ['sizes' => implode(', ', FilmFormat::SIZES)]);
        }

        return FilmFormat::of($plan->shape, $size, $container);
    }

    /** @throws Unreadable */
    private static function workers(InputInterface $input): int
    {
        $workers = self::option($input, 'workers') ?? trim((string) shell_exec('nproc'));
        if (1 !== preg_match('/^\d{1,2}$/D', $workers) || (int) $workers < 1) {
            throw new Unreadable('cli.workers');
        }

        return (int) $workers;
    }
}
