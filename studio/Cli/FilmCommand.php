<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Captions\WebVtt;
use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Film\FilmMaker;
use Rhapsode\Studio\Folder\FolderMakings;
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
        $this->addArgument('out', InputArgument::REQUIRED, 'The film to write, OUT.mp4; its captions go to OUT.vtt')
            ->addOption('height', null, InputOption::VALUE_REQUIRED, 'Height in pixels', '720');
    }

    protected function perform(Story $story, Plan $plan, FolderMakings $makings, InputInterface $input, OutputInterface $output): int
    {
        $out = self::argument($input, 'out');
        $height = $input->getOption('height');
        if (!\is_string($height) || 1 !== preg_match('/^\d+$/D', $height) || (int) $height < 144 || (int) $height > 2160 || 0 !== (int) $height % 2) {
            throw new Unreadable('The height must be an even number from 144 to 2160.');
        }
        if (!is_dir(\dirname($out)) || !is_writable(\dirname($out))) {
            throw new Unreadable('The film cannot be written there.');
        }
        $bar = new ProgressBar($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output);
        $bar->setFormat(' %current%/%max% frames [%bar%] %percent:3s%% %remaining:6s% left');
        (new FilmMaker($makings, $makings->segments(), self::cores()))->make($plan, $out, (int) $height, static function (int $done, int $total) use ($bar): void {
            $bar->setMaxSteps($total);
            $bar->setProgress($done);
        });
        $bar->finish();
        file_put_contents((string) preg_replace('/\.[^.\/]*$/', '', $out) . '.vtt', WebVtt::write($plan->cues, $plan->language));
        $output->writeln('');
        $output->writeln(\sprintf('%s: %d slides, %.1f s', $out, \count($plan->slides), $plan->seconds()), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    private static function cores(): int
    {
        return max(1, (int) shell_exec('nproc'));
    }
}
