<?php

declare(strict_types=1);

/**
 * Writes down anew what is learned from what is labelled: php tests/core/Tray/Advice/learn.php [NAME ...].
 */

use ZippyTray\Tests\Core\Tray\Advice\Learner;

require __DIR__.'/../../../../vendor/autoload.php';

$names = array_slice($argv, 1);
// What was learned is read once in a process, and the later ones need what the earlier ones wrote.
foreach ([] === $names ? Learner::NAMES : [] as $name) {
    passthru(implode(' ', array_map(escapeshellarg(...), [\PHP_BINARY, '-d', 'memory_limit='.ini_get('memory_limit'), __FILE__, $name])));
}
foreach ($names as $name) {
    $lessons = Learner::lessons($name);
    $lines = [];
    foreach (Learner::learn($lessons) as $feature => $weight) {
        $lines[] = sprintf("%.2f\t%s\n", $weight, $feature);
    }
    file_put_contents(__DIR__."/../../../../core/Tray/Advice/{$name}.tsv", implode('', $lines));
    printf("%s: %d weights from %d sentences\n", $name, count($lines), count($lessons));
}
