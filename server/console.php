<?php

declare(strict_types=1);

use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Output\ConsoleOutput;
use ZippyTray\Server\Kernel;
use ZippyTray\Server\Store\DatabaseTrouble;

require dirname(__DIR__).'/vendor/autoload.php';

try {
    $kernel = new Kernel(getenv('APP_ENV') ?: 'prod', (bool) getenv('APP_DEBUG'));
} catch (RuntimeException $problem) {
    fwrite(\STDERR, $problem->getMessage()."\n");
    exit(1);
}
$application = new Application($kernel);
$application->setName('Zippy Tray');
$application->setCatchExceptions(false);
$application->setAutoExit(false);
try {
    exit($application->run());
} catch (Throwable $problem) {
    $sentence = DatabaseTrouble::sentence($problem);
    null === $sentence ? $application->renderThrowable($problem, (new ConsoleOutput())->getErrorOutput()) : fwrite(\STDERR, $sentence."\n");
    exit(1);
}
