<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use ZippyTray\Server\Kernel;

require dirname(__DIR__, 2).'/vendor/autoload.php';

// PHP's own web server asks here for files too: those that exist it sends itself.
$path = (string) parse_url((string) ($_SERVER['REQUEST_URI'] ?? '/'), \PHP_URL_PATH);
if ('cli-server' === \PHP_SAPI && '/' !== $path && !str_contains($path, '..') && is_file(__DIR__.$path) && !str_ends_with($path, '.php')) {
    return false;
}

$kernel = new Kernel((string) ($_SERVER['APP_ENV'] ?? 'prod'), (bool) ($_SERVER['APP_DEBUG'] ?? false));
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
