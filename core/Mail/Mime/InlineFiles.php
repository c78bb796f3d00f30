<?php

declare(strict_types=1);

namespace ZippyTray\Core\Mail\Mime;

use ZippyTray\Core\Mail\Limit;

/**
 * Files that stand within the text itself, encoded with uuencode (POSIX.1-2017, uuencode).
 */
final readonly class InlineFiles
{
    private const FILE = '/^begin [0-7]{3,4} ([^\r\n]{1,200})\r?\n((?:[\x20-\x60]{1,62}\r?\n)*)(?:`|\x20)?(?:\r?\n)?end[ \t]*\r?$\n?/m';

    /** In bytes; longer texts are left as they are. */
    private const LONGEST = 60_000_000;

    private const TYPES = [
        'txt' => 'text/plain', 'jpg' => 'image/jpeg', 'jpeg' => 'image/jpeg', 'png' => 'image/png', 'gif' => 'image/gif',
        'pdf' => 'application/pdf', 'doc' => 'application/msword', 'zip' => 'application/zip',
    ];

    /**
     * @param string                              $text  without them
     * @param list<array{string, string, string}> $files name, media type and bytes
     */
    private function __construct(public string $text, public array $files)
    {
    }

    /** @param string $bytes a text in any character set that holds ASCII */
    public static function in(string $bytes): self
    {
        if (!str_contains($bytes, 'begin ') || \strlen($bytes) > self::LONGEST) {
            return new self($bytes, []);
        }
        $files = [];
        $text = preg_replace_callback(self::FILE, static function (array $match) use (&$files): string {
            $content = @convert_uudecode(str_replace("\r", '', $match[2])."`\n");
            if (!\is_string($content) || '' === $content || \count($files) >= Limit::PARTS) {
                return $match[0];
            }
            $ending = strtolower(pathinfo($match[1], \PATHINFO_EXTENSION));
            $files[] = [trim($match[1]), self::TYPES[$ending] ?? 'application/octet-stream', $content];

            return '';
        }, $bytes);

        return \is_string($text) ? new self($text, $files) : new self($bytes, []);
    }
}
