<?php

declare(strict_types=1);

use Symfony\Bundle\FrameworkBundle\Console\Application;
use ZippyTray\Server\Kernel;

require dirname(__DIR__).'/vendor/autoload.php';

try {
    $kernel = new Kernel((string) ($_SERVER['APP_ENV'] ?? 'prod'), (bool) ($_SERVER['APP_DEBUG'] ?? false));
} catch (RuntimeException $problem) {
    fwrite(\STDERR, $problem->getMessage()."\n");
    exit(1);
}
$application = new Application($kernel);
$application->setName('Zippy Tray');
$application->run();
