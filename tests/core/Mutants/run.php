<?php

declare(strict_types=1);

/*
 * Changes the core in small ways, one after the other, and tells which of them no test notices.
 *
 *     php tests/core/Mutants/run.php FOLDER [COUNT] [SEED]
 *
 * FOLDER is one of core (Journal, Tray, Time/Recurrence …). COUNT of its mutants are drawn at random (default 50); the same SEED draws the
 * same. What takes more than two minutes counts as noticed: it does not end.
 */

use ZippyTray\Tests\Core\Mutants\Mutants;

require dirname(__DIR__, 3).'/vendor/autoload.php';

$root = dirname(__DIR__, 3);
$folder = trim($argv[1] ?? '', '/');
[$count, $seed] = [(int) ($argv[2] ?? 50), (int) ($argv[3] ?? 1)];
is_dir("{$root}/core/{$folder}") && '' !== $folder || exit("Which folder of core?\n");

$mutants = [];
/** @var SplFileInfo $file */
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/core/{$folder}", FilesystemIterator::SKIP_DOTS)) as $file) {
    // What has tests of its own, or is tested as a whole, which takes minutes for each, is asked for by itself.
    $own = array_filter(
        ['Tray/Advice', 'Tray/Importance'],
        static fn (string $one): bool => !str_starts_with($folder, $one) && str_contains($file->getPathname(), "/core/{$one}/"),
    );
    if ('php' !== $file->getExtension() || [] !== $own) {
        continue;
    }
    foreach (Mutants::of((string) file_get_contents($file->getPathname())) as $mutant) {
        $mutants[] = $mutant + ['path' => substr($file->getPathname(), strlen($root) + 1)];
    }
}
usort($mutants, static fn (array $a, array $b): int => [$a['path'], $a['line'], $a['what']] <=> [$b['path'], $b['line'], $b['what']]);
$all = count($mutants);
$mutants = (new Random\Randomizer(new Random\Engine\Mt19937($seed)))->shuffleArray($mutants);

// The tests of the same folder first: they are the most likely to notice, and the quickest.
$own = "tests/core/{$folder}";
$others = array_values(array_filter(
    array_map(static fn (string $path): string => substr($path, strlen($root) + 1), glob("{$root}/tests/core/*", \GLOB_ONLYDIR) ?: []),
    static fn (string $path): bool => !str_starts_with($own.'/', $path.'/') && !in_array(
        basename($path),
        ['World', 'Mutants', 'Tray', 'Mail', 'Time'],
        true,
    ),
));
$suites = [
    ...is_dir("{$root}/{$own}") ? [[$own]] : [],
    [...$others, ...glob('tests/core/Tray/*Test.php') ?: []],
    ...str_starts_with($folder, 'Tray/Advice') ? [] : [['tests/core/Time', 'tests/core/Mail']],
];
if (str_starts_with($folder, 'Tray') && !str_starts_with($folder, 'Tray/')) {
    $suites[0] = glob('tests/core/Tray/*Test.php') ?: [];
}

$copy = tempnam(sys_get_temp_dir(), 'mutant');
[$noticed, $tried, $survivors] = [0, 0, []];
foreach (array_slice($mutants, 0, $count) as $mutant) {
    file_put_contents((string) $copy, $mutant['source']);
    exec('php -l '.escapeshellarg((string) $copy).' 2>&1', $lines, $broken);
    if (0 !== $broken) {
        continue;
    }
    ++$tried;
    $class = 'ZippyTray\\Core\\'.str_replace('/', '\\', substr($mutant['path'], 5, -4));
    $isNoticed = false;
    foreach ($suites as $paths) {
        $command = sprintf(
            'MUTANT_FILE=%s MUTANT_CLASS=%s timeout 120 php -d memory_limit=1G vendor/bin/phpunit --bootstrap '
                .'tests/core/Mutants/bootstrap.php --stop-on-defect --no-progress --no-output %s 2>&1',
            escapeshellarg((string) $copy),
            escapeshellarg($class),
            implode(' ', array_map(escapeshellarg(...), $paths)),
        );
        exec("cd {$root} && {$command}", $lines, $code);
        if (0 !== $code) {
            $isNoticed = true;
            break;
        }
    }
    $noticed += (int) $isNoticed;
    if (!$isNoticed) {
        $survivors[] = sprintf('%s:%d  %s', $mutant['path'], $mutant['line'], $mutant['what']);
        echo end($survivors), "\n";
    }
}
unlink((string) $copy);
printf("%s: %d of %d noticed (%.0f %%), drawn from %d\n", $folder, $noticed, $tried, 100 * $noticed / max(1, $tried), $all);
