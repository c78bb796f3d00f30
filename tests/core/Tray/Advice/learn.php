<?php

declare(strict_types=1);

/**
 * Writes down anew what is learned from the labelled sentences: php tests/core/Tray/Advice/learn.php.
 */

use ZippyTray\Tests\Core\Tray\Advice\Learner;

require __DIR__.'/../../../../vendor/autoload.php';

foreach (Learner::NAMES as $name) {
    $lessons = Learner::lessons($name);
    $lines = [];
    foreach (Learner::learn($lessons) as $feature => $weight) {
        $lines[] = sprintf("%.2f\t%s\n", $weight, $feature);
    }
    file_put_contents(__DIR__."/../../../../core/Tray/Advice/{$name}.tsv", implode('', $lines));
    printf("%s: %d weights from %d sentences\n", $name, count($lines), count($lessons));
}
