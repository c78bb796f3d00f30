<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

use ZippyTray\Server\DataFolder;

/**
 * Certificates of an authority of one's own, in a file as connections want them.
 */
final class AuthorityFile
{
    /** @param string $certificates PEM */
    public static function of(string $certificates): string
    {
        $file = DataFolder::path().'/authority-'.hash('xxh128', $certificates).'.pem';
        is_file($file) || DataFolder::write($file, $certificates);

        return $file;
    }
}
