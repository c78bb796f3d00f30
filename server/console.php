<?php

declare(strict_types=1);

use Symfony\Bundle\FrameworkBundle\Console\Application;
use ZippyTray\Server\Kernel;

require dirname(__DIR__).'/vendor/autoload.php';

try {
    $kernel = new Kernel(getenv('APP_ENV') ?: 'prod', (bool) getenv('APP_DEBUG'));
} catch (RuntimeException $problem) {
    fwrite(\STDERR, $problem->getMessage()."\n");
    exit(1);
}
$application = new Application($kernel);
$application->setName('Zippy Tray');
$application->run();
