<?php

declare(strict_types=1);

// One class is loaded from a changed copy; all others are as they are.

require dirname(__DIR__, 3).'/vendor/autoload.php';

$file = getenv('MUTANT_FILE');
$class = getenv('MUTANT_CLASS');
spl_autoload_register(static function (string $wanted) use ($file, $class): void {
    if ($wanted === $class && is_string($file)) {
        require $file;
    }
}, prepend: true);
