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

#[AsCommand('film', 'Makes the film of a folder, and its captions beside it')]
final class FilmCommand extends FolderCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->addArgument('out', InputArgument::REQUIRED, 'The film to write, OUT.mp4 or OUT.webm; its captions go to OUT.vtt')
            ->addOption('size', null, InputOption::VALUE_REQUIRED, 'Pixels of the shorter side: ' . implode(', ', FilmFormat::SIZES), '720')
            ->addOption('height', null, InputOption::VALUE_REQUIRED, 'Height in pixels, instead of a size')
            ->addOption('workers', null, InputOption::VALUE_REQUIRED, 'How many segments are made at once; one for each core unless said otherwise');
    }

    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $out = self::argument($input, 'out');
        $format = self::format($input, $plan, $out);
        if (!is_dir(\dirname($out)) || !is_writable(\dirname($out))) {
            throw new Unreadable('The film cannot be written there.');
        }
        $bar = new ProgressBar($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output);
        $bar->setFormat(' %current%/%max% frames [%bar%] %percent:3s%% %remaining:6s% left');
        (new FilmMaker($renditions, $renditions->segments(), self::workers($input)))->make($plan, $out, $format, static function (int $done, int $total) use ($bar): void {
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
        $output->writeln(\sprintf('%s: %d slides, %.1f s', $out, \count($plan->scenes), $plan->seconds()), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /** @throws Unreadable */
    private static function format(InputInterface $input, Plan $plan, string $out): FilmFormat
    {
        $container = Container::tryFrom(strtolower(pathinfo($out, \PATHINFO_EXTENSION))) ?? throw new Unreadable('A film is written as .mp4 or as .webm.');
        $height = self::option($input, 'height');
        if (null !== $height) {
            if (1 !== preg_match('/^\d{3,4}$/D', $height) || (int) $height < 144 || (int) $height > 2160 || 0 !== (int) $height % 2) {
                throw new Unreadable('The height must be an even number from 144 to 2160.');
            }

            return FilmFormat::high($plan->shape, (int) $height, $container);
        }
        $size = self::option($input, 'size') ?? '';
        if (!\in_array($size, FilmFormat::SIZES, true)) {
            throw new Unreadable('The size must be one of ' . implode(', ', FilmFormat::SIZES) . '.');
        }

        return FilmFormat::of($plan->shape, $size, $container);
    }

    /** @throws Unreadable */
    private static function workers(InputInterface $input): int
    {
        $workers = self::option($input, 'workers') ?? trim((string) shell_exec('nproc'));
        if (1 !== preg_match('/^\d{1,2}$/D', $workers) || (int) $workers < 1) {
            throw new Unreadable('The number of workers must be from 1 to 99.');
        }

        return (int) $workers;
    }
}
