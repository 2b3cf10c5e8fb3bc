<?php

declare(strict_types=1);

namespace Rhapsode\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\Dotenv\Dotenv;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** Time is UTC in storage and in answers; the page says it in the reader's. */
    public function boot(): void
    {
        date_default_timezone_set('UTC');
        parent::boot();
    }

    /** From the settings file that bin/start wrote and names; the environment itself goes before them. */
    public static function boots(): self
    {
        $settings = $_SERVER['RHAPSODE_SETTINGS'] ?? null;
        if (\is_string($settings) && is_file($settings)) {
            (new Dotenv())->usePutenv(false)->load($settings);
        }
        $environment = $_SERVER['APP_ENV'] ?? $_ENV['APP_ENV'] ?? 'prod';

        return new self(\is_string($environment) ? $environment : 'prod', false);
    }
}
