<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Cli;

use Rhapsode\Core\Plan\Plan;
use Rhapsode\Core\Plan\Scene;
use Rhapsode\Core\Story\Story;
use Rhapsode\Studio\Folder\FolderRenditions;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('plan')]
final class PlanCommand extends FolderCommand
{
    protected function configure(): void
    {
        parent::configure();
        $this->setDescription($this->say('cli.plan'));
    }

    protected function perform(Story $story, Plan $plan, FolderRenditions $renditions, InputInterface $input, OutputInterface $output): int
    {
        $printed = $plan->toArray();
        // Which file a scene shows is what somebody at a command line knows it by.
        $printed['scenes'] = array_map(static function (Scene $scene) use ($story): array {
            $slide = $story->slide($scene->id);

            return ['file' => null === $slide ? null : $story->pictureOf($slide)?->file] + $scene->toArray();
        }, $plan->scenes);
        $output->writeln(
            json_encode($printed, \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
