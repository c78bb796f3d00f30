<?php

declare(strict_types=1);

use Symfony\Component\HttpFoundation\Request;
use ZippyTray\Server\Http\PageFile;
use ZippyTray\Server\Kernel;

// How much of the processor's time an answer took (Server Timing), for who measures.
if (getenv('ZIPPY_TIMING')) {
    $spent = static function (): float {
        /** @var array<string, int> $used */
        $used = getrusage() ?: [];

        return 1000 * (($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0))
            + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1000;
    };
    $before = $spent();
    header_register_callback(static fn () => header(sprintf('Server-Timing: cpu;dur=%.3f', $spent() - $before)));
}

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
