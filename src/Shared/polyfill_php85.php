<?php

declare(strict_types=1);

// Symfony 7.4's ErrorHandler calls this function of PHP 8.5, whose polyfill package is not served everywhere.
if (!function_exists('get_error_handler')) {
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(null);
        restore_error_handler();

        return $handler;
    }
}
