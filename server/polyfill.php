<?php

declare(strict_types=1);

/*
 * Two functions of PHP 8.5 that the framework calls. PHP 8.2 can only read a handler by setting
 * another one and putting it back.
 */

if (!function_exists('get_error_handler')) {
    function get_error_handler(): ?callable
    {
        $handler = set_error_handler(null);
        restore_error_handler();

        return $handler;
    }
}

if (!function_exists('get_exception_handler')) {
    function get_exception_handler(): ?callable
    {
        $handler = set_exception_handler(null);
        restore_exception_handler();

        return $handler;
    }
}
