<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

use ZippyTray\Server\Mailroom\In\NotReached;

/**
 * The library that speaks IMAP: Debian's php-horde-imap-client, which is not among the packages of Composer.
 */
final class Horde
{
    private const FOLDER = '/usr/share/php/';

    private static bool $isLoaded = false;

    /** @throws NotReached when it is not installed */
    public static function load(): void
    {
        if (self::$isLoaded) {
            return;
        }
        if (!is_file(self::FOLDER.'Horde/Imap/Client/Socket.php')) {
            throw new NotReached('To speak to mail servers, the Debian package php-horde-imap-client has to be installed on this machine.');
        }
        self::$isLoaded = true;
        spl_autoload_register(static function (string $class): void {
            if (1 === preg_match('/^Horde[_\\\\]/', $class)) {
                $file = self::FOLDER.strtr($class, ['_' => '/', '\\' => '/']).'.php';
                !is_file($file) || require $file;
            }
        });
    }
}
