<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Sound\Dealt;
use Rhapsode\Core\Sound\SplitPoint;
use Rhapsode\Core\Sound\Splitter;
use Rhapsode\Core\Story\Slide;
use Rhapsode\Core\Story\Story;
use Rhapsode\Core\Timing\Rate;
use Rhapsode\Studio\Folder\FolderRenditions;
use Rhapsode\Studio\Tool\Tool;
use Rhapsode\Studio\Tool\Unreadable;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('split')]
final class SplitCommand extends FolderCommand
{
    protected function configure(): void
    {
        $this->addArgument('sound', InputArgument::REQUIRED, $this->say('cli.sound.about'));
        parent::configure();
        $this->setDescription($this->say('cli.split'));
        $this->addOption('write', null, InputOption::VALUE_NONE, $this->say('cli.write.about'));
    }

    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $sound = self::argument($input, 'sound');
        if (!is_file($sound)) {
            throw new Unreadable('cli.no-sound');
        }
        $measured = $renditions->addTake('split', $sound);
        $slides = array_values(
            array_filter($story->slides, static fn(Slide $slide): bool => !$slide->layout->isWordsAlone() && [] === $slide->voice),
        );
        if (\count($slides) < 2) {
            throw new Unreadable('cli.nothing-to-split');
        }
        $seconds = static fn(int $samples): float => $samples / Rate::SAMPLES;
        $points = Splitter::points(
            $seconds($measured->from),
            $seconds($measured->to),
            array_map(static fn(array $pause): array => [$seconds($pause[0]), $seconds($pause[1])], $measured->pauses),
            Dealt::weights($slides, $story->language),
        );
        if (null === $points) {
            throw new Unreadable('cli.too-few-pauses', ['pauses' => \count($measured->pauses), 'slides' => \count($slides)]);
        }
        $ends = [
            $seconds($measured->from),
            ...array_map(static fn(SplitPoint $point): float => $point->at, $points),
            $seconds($measured->to),
        ];
        $parts = [];
        foreach ($slides as $i => $slide) {
            $file = $story->pictureOf($slide)->file ?? '';
            $parts[] = [
                'file' => $file,
                'from' => round($ends[$i], 3),
                'to' => round($ends[$i + 1], 3),
                'confidence' => $points[$i]->confidence ?? 1.0,
            ];
            if (true === $input->getOption('write')) {
                $to = self::argument($input, 'folder') . '/' . pathinfo($file, \PATHINFO_FILENAME) . '.flac';
                Tool::ffmpeg([
                    '-v', 'error', '-i', $renditions->voice('split'), '-ss', (string) $ends[$i], '-to',
                    (string) $ends[$i + 1], '-c:a', 'flac', '-fflags', '+bitexact', Tool::file($to),
                ]);
            }
        }
        $output->writeln(
            json_encode($parts, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
