<?php

declare(strict_types=1);

/**
 * Writes down anew what is learned from the labelled sentences: php tests/core/Tray/Advice/learn.php.
 */

use ZippyTray\Tests\Core\Tray\Advice\Learner;

require __DIR__.'/../../../../vendor/autoload.php';

$lines = [];
foreach (Learner::learn(Learner::lessons()) as $feature => $weight) {
    $lines[] = sprintf("%.2f\t%s\n", $weight, $feature);
}
file_put_contents(__DIR__.'/../../../../core/Tray/Advice/likeness.tsv', implode('', $lines));
printf("%d weights from %d sentences\n", count($lines), count(Learner::lessons()));
