<?php

declare(strict_types=1);

namespace Rhapsode\Studio\Prepare;

use Rhapsode\Studio\Tool\Running;
use Rhapsode\Studio\Tool\ToolFailed;

/**
 * The process in which faces are found: begun when it is first asked, and again after it has ended. To begin takes longer than to
 * look, so that it waits for the next picture, for as long as it is made to (faces.cjs).
 */
final class FaceNet
{
    /** Seconds for one picture, and megabytes of address space, of which it takes much and uses little. */
    private const SECONDS = 30.0;
    private const MEGABYTES = 60_000;

    private static ?Running $net = null;

    /**
     * @param string $pixels red, green and blue of one after the other
     *
     * @return string|null what it answers, one line of JSON; null where it does not
     */
    public static function ask(string $pixels, int $width, int $height): ?string
    {
        // One that waited too long has ended meanwhile.
        for ($tries = 0; $tries < 2; ++$tries) {
            $isNew = null === self::$net;
            try {
                $answer = self::answer(self::$net ??= self::begun(), "{$width} {$height}\n{$pixels}");
            } catch (ToolFailed) {
                return null;
            }
            if (null !== $answer) {
                return $answer;
            }
            self::$net = null;
            if ($isNew) {
                return null;
            }
        }

        return null;
    }

    /** @throws ToolFailed */
    private static function begun(): Running
    {
        $most = '--as=' . self::MEGABYTES * 1_000_000;
        $net = Running::begin(['prlimit', $most, '--', 'node', '--max-old-space-size=256', __DIR__ . '/faces.cjs'], true, true);
        // Neither waits: what is not ready gives nothing.
        foreach ([$net->input, $net->output] as $pipe) {
            \is_resource($pipe) && stream_set_blocking($pipe, false);
        }

        return $net;
    }

    private static function answer(Running $net, string $asked): ?string
    {
        [$to, $from] = [$net->input, $net->output];
        if (!\is_resource($to) || !\is_resource($from)) {
            return null;
        }
        $said = '';
        $late = microtime(true) + self::SECONDS;
        while (!str_ends_with($said, "\n")) {
            [$read, $write, $none] = [[$from], '' === $asked ? [] : [$to], []];
            $left = $late - microtime(true);
            if ($left <= 0 || !@stream_select($read, $write, $none, (int) ceil($left))) {
                return null;
            }
            $said .= $more = (string) fread($from, 65_536);
            if ('' === $more && feof($from)) {
                return null;
            }
            $sent = '' === $asked ? 0 : @fwrite($to, $asked);
            if (false === $sent) {
                return null;
            }
            $asked = substr($asked, $sent);
        }

        return $said;
    }
}
