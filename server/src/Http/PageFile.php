<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

/**
 * A file of the page, for PHP's own web server, which would send it without the headers that belong to it.
 */
final readonly class PageFile
{
    private const TYPES = [
        'js' => 'text/javascript; charset=utf-8', 'css' => 'text/css; charset=utf-8', 'html' => 'text/html; charset=utf-8',
        'svg' => 'image/svg+xml', 'woff2' => 'font/woff2', 'woff' => 'font/woff', 'png' => 'image/png', 'ico' => 'image/x-icon',
        'json' => 'application/json', 'txt' => 'text/plain; charset=utf-8',
    ];

    /** Content codings (RFC 9110, 8.4.1) of which the build leaves a file beside the one that it is of, the smallest first */
    private const ENCODINGS = ['br' => '.br', 'gzip' => '.gz'];

    /**
     * @param mixed $address the request's target (RFC 9112, 3.2)
     *
     * @return bool whether there was such a file
     */
    public static function send(string $folder, mixed $address): bool
    {
        $path = \is_string($address) ? rawurldecode((string) parse_url($address, \PHP_URL_PATH)) : '/';
        $type = self::TYPES[pathinfo($path, \PATHINFO_EXTENSION)] ?? null;
        $file = str_contains($path, "\0") ? false : realpath($folder.$path);
        if (null === $type || false === $file || !str_starts_with($file, $folder.'/') || !is_file($file)) {
            return false;
        }
        $encoding = self::encoding($file, $_SERVER['HTTP_ACCEPT_ENCODING'] ?? '');
        if (null !== $encoding) {
            $file .= self::ENCODINGS[$encoding];
            header('Content-Encoding: '.$encoding);
        }
        header('Content-Type: '.$type);
        header('Content-Length: '.filesize($file));
        header('Vary: Accept-Encoding');
        // Names of what is built change with what is in it.
        header('Cache-Control: '.(str_contains($path, '/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'));
        foreach (SecurityHeaders::OF_PAGES as $name => $value) {
            header($name.': '.$value);
        }
        readfile($file);

        return true;
    }

    /**
     * @param mixed $accepted what the browser takes (Accept-Encoding; RFC 9110, 12.5.3)
     *
     * @return key-of<self::ENCODINGS>|null
     */
    private static function encoding(string $file, mixed $accepted): ?string
    {
        foreach (self::ENCODINGS as $encoding => $ending) {
            if (\is_string($accepted)
                && 1 === preg_match("/(?:^|[\s,]){$encoding}(?![\w-])(?!\s*;\s*q=0(?:\.0*)?\s*(?:,|$))/i", $accepted)
                && is_file($file.$ending)) {
                return $encoding;
            }
        }

        return null;
    }
}
