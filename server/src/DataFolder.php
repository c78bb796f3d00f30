<?php

declare(strict_types=1);

namespace ZippyTray\Server;

/**
 * The folder that holds the database and everything else a person would lose: ZIPPY_DATA of the environment, or var/ of
 * the project. Nobody but its owner can look into it.
 */
final class DataFolder
{
    /** Makes ZIPPY_DATA an absolute path to a folder that exists, for this process and the ones it starts. */
    public static function settle(string $projectFolder): void
    {
        umask(0o077);
        $given = $_SERVER['ZIPPY_DATA'] ?? getenv('ZIPPY_DATA');
        $folder = \is_string($given) && '' !== $given ? $given : $projectFolder.'/var';
        $folder = str_starts_with($folder, '/') ? $folder : getcwd().'/'.$folder;
        if (!is_dir($folder) && !@mkdir($folder, 0o700, true) && !is_dir($folder)) {
            throw new \RuntimeException(\sprintf(
                'The data folder "%s" cannot be made. Set ZIPPY_DATA to a folder that you can write to.',
                $folder,
            ));
        }
        if (!is_writable($folder)) {
            throw new \RuntimeException(\sprintf('The data folder "%s" cannot be written to. Set ZIPPY_DATA to another one.', $folder));
        }
        self::close($folder);
        $_SERVER['ZIPPY_DATA'] = $_ENV['ZIPPY_DATA'] = $folder;
        putenv('ZIPPY_DATA='.$folder);
        $_SERVER['ZIPPY_SECRET'] = $_ENV['ZIPPY_SECRET'] = self::secret($folder.'/secret');
    }

    /** Writes a small file of which there is the old one or the new one, whenever it is looked at. */
    public static function write(string $file, #[\SensitiveParameter] string $content): void
    {
        $new = $file.'.'.bin2hex(random_bytes(6));
        file_put_contents($new, $content);
        chmod($new, 0o600);
        rename($new, $file);
    }

    public static function path(): string
    {
        $folder = $_SERVER['ZIPPY_DATA'] ?? null;

        return \is_string($folder) ? $folder : throw new \LogicException('The data folder is not settled yet.');
    }

    /** What older versions left open to others. */
    private static function close(string $folder): void
    {
        if (0 === ((int) fileperms($folder) & 0o077)) {
            return;
        }
        @chmod($folder, 0o700);
        foreach (glob($folder.'/{zippy-tray.sqlite*,demo-clock,secret,key,*.lock}', \GLOB_BRACE) ?: [] as $file) {
            @chmod($file, 0o600);
        }
    }

    /** What signatures are made with: drawn once, then kept beside the database. */
    private static function secret(string $file): string
    {
        if (!is_file($file)) {
            self::write($file, bin2hex(random_bytes(32)));
        }

        return (string) file_get_contents($file);
    }
}
