<?php

declare(strict_types=1);

/*
 * A data folder of its own for this run, with an empty database of the newest schema, and with what the framework makes for itself: a run
 * that begins beside another must not take that away. It is removed at the end.
 */

use Symfony\Component\Filesystem\Filesystem;
use ZippyTray\Server\Kernel;
use ZippyTray\Server\Store\Schema;

require dirname(__DIR__).'/vendor/autoload.php';

$folder = sys_get_temp_dir().'/zippy-tray-tests-'.getmypid();
foreach ([
    'APP_ENV' => 'test',
    'APP_DEBUG' => '0',
    'ZIPPY_DATA' => $folder,
    'APP_CACHE_DIR' => $folder.'/kernel',
    'ZIPPY_DEMO' => '1',
    'ZIPPY_STRICT' => '0',
    'KERNEL_CLASS' => Kernel::class,
] as $name => $value) {
    $_SERVER[$name] = $_ENV[$name] = $value;
    putenv($name.'='.$value);
}
$files = new Filesystem();
$process = getmypid();
register_shutdown_function(static function () use ($files, $folder, $process): void {
    if (getmypid() === $process) {
        $files->remove($folder);
    }
});

$kernel = new Kernel('test', false);
$kernel->boot();
$schema = $kernel->getContainer()->get('test.service_container')->get(Schema::class);
assert($schema instanceof Schema);
$schema->bringUpToDate();
$kernel->shutdown();
unset($kernel, $schema);
gc_collect_cycles();
rename($folder.'/zippy-tray.sqlite', $folder.'/empty.sqlite');
