<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use ZippyTray\Server\Http\PageFile;
use ZippyTray\Server\Kernel;

require dirname(__DIR__, 2).'/vendor/autoload.php';

header_remove('X-Powered-By');
// PHP's own web server asks here for files too.
if ('cli-server' === \PHP_SAPI && PageFile::send(__DIR__, $_SERVER['REQUEST_URI'] ?? '/')) {
    return true;
}

$kernel = new Kernel(getenv('APP_ENV') ?: 'prod', (bool) getenv('APP_DEBUG'));
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
