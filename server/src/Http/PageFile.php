<?php

declare(strict_types=1);

namespace ZippyTray\Server\Http;

/**
 * A file of the page, for PHP's own web server, which would send it without the headers that belong to it.
 */
final readonly class PageFile
{
    private const TYPES = ['js' => 'text/javascript; charset=utf-8', 'css' => 'text/css; charset=utf-8', 'html' => 'text/html; charset=utf-8', 'svg' => 'image/svg+xml', 'woff2' => 'font/woff2', 'woff' => 'font/woff', 'png' => 'image/png', 'ico' => 'image/x-icon', 'json' => 'application/json', 'txt' => 'text/plain; charset=utf-8'];

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
        header('Content-Type: '.$type);
        header('Content-Length: '.filesize($file));
        // Names of what is built change with what is in it.
        header('Cache-Control: '.(str_contains($path, '/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'));
        foreach (SecurityHeaders::OF_PAGES as $name => $value) {
            header($name.': '.$value);
        }
        readfile($file);

        return true;
    }
}
