<?php

declare(strict_types=1);

use Symfony\Component\Console\Application;
use ZippyTray\Bench\BenchCommand;

require dirname(__DIR__).'/vendor/autoload.php';

$application = new Application('Zippy Tray');
$application->add(new BenchCommand());
$application->setDefaultCommand('bench', true);
$application->run();
