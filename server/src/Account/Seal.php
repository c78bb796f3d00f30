<?php

declare(strict_types=1);

namespace ZippyTray\Server\Account;

use ZippyTray\Server\DataFolder;

/**
 * Encrypts what must not be read by who only has the database (libsodium, XSalsa20 and Poly1305). The key lies beside
 * it in a file of its own, and is not part of a backup.
 */
final readonly class Seal
{
    private const MARK = 'sealed:';

    public static function close(#[\SensitiveParameter] string $text): string
    {
        if ('' === $text) {
            return '';
        }
        $nonce = random_bytes(\SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);

        return self::MARK.base64_encode($nonce.sodium_crypto_secretbox($text, $nonce, self::key()));
    }

    /** What was not sealed is given as it is; what cannot be opened any more, since the key is another one, is empty. */
    public static function open(#[\SensitiveParameter] string $sealed): string
    {
        if (!self::isClosed($sealed)) {
            return $sealed;
        }
        $bytes = (string) base64_decode(substr($sealed, \strlen(self::MARK)), true);
        $nonce = substr($bytes, 0, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);
        $box = substr($bytes, \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES);
        $text = \SODIUM_CRYPTO_SECRETBOX_NONCEBYTES === \strlen($nonce) ? sodium_crypto_secretbox_open($box, $nonce, self::key()) : false;

        return false === $text ? '' : $text;
    }

    public static function isClosed(#[\SensitiveParameter] string $text): bool
    {
        return str_starts_with($text, self::MARK);
    }

    /** @return non-empty-string */
    private static function key(): string
    {
        $file = DataFolder::path().'/key';
        if (!is_file($file)) {
            DataFolder::write($file, bin2hex(sodium_crypto_secretbox_keygen()));
        }
        $key = (string) hex2bin(trim((string) file_get_contents($file)));

        return '' === $key ? throw new \RuntimeException(\sprintf('The file %s holds no key.', $file)) : $key;
    }
}
