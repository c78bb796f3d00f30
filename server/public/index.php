<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use ZippyTray\Server\Kernel;

require dirname(__DIR__, 2).'/vendor/autoload.php';

// PHP's own web server asks here for files too: those that exist it sends itself.
$path = rawurldecode((string) parse_url(filter_var($_SERVER['REQUEST_URI'] ?? '/', \FILTER_UNSAFE_RAW) ?: '/', \PHP_URL_PATH));
if ('cli-server' === \PHP_SAPI && '/' !== $path && !str_contains($path, '..') && is_file(__DIR__.$path) && !str_ends_with($path, '.php')) {
    return false;
}

$kernel = new Kernel(getenv('APP_ENV') ?: 'prod', (bool) getenv('APP_DEBUG'));
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
