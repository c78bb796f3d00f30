<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\In;

use ZippyTray\Core\Refused;
use ZippyTray\Server\Mailroom\MailFiles;

/**
 * A Maildir that another program keeps in step: messages in new/ and cur/, a file each. It is only read.
 *
 * Only plain files are read, one at a time. A message keeps the part of its name before the colon when it moves from
 * new/ to cur/ or its flags change. The
 * cursor is the moment at which a file came to its name, and that part: "SECONDS name".
 */
final readonly class MaildirIn implements MailIn
{
    /** @throws Refused when there is no Maildir */
    public function __construct(private string $folder)
    {
        self::check($folder);
    }

    /** @throws Refused */
    public static function check(string $folder): void
    {
        if (!str_starts_with($folder, '/')) {
            throw new Refused('Write the whole path, from / on.', 'folder');
        }
        if (!is_dir($folder.'/cur') || !is_dir($folder.'/new')) {
            throw new Refused('There is no Maildir in this folder: it has to hold "new" and "cur".', 'folder');
        }
    }

    public function since(string $cursor): iterable
    {
        [$from, $name] = explode(' ', $cursor, 2) + [1 => ''];
        $found = [];
        foreach (['new', 'cur'] as $box) {
            $names = @scandir($this->folder.'/'.$box);
            if (false === $names) {
                throw new NotReached(\sprintf('The folder %s cannot be read any more.', $this->folder.'/'.$box));
            }
            foreach ($names as $file) {
                $path = $this->folder.'/'.$box.'/'.$file;
                $stat = str_starts_with($file, '.') ? false : @lstat($path);
                $at = false === $stat ? false : $stat['ctime'];
                $base = explode(':', $file, 2)[0];
                if (false !== $at && ($at > (int) $from || ($at === (int) $from && strcmp($base, $name) > 0))) {
                    $found[\sprintf('%012d %s', $at, $base)] = $path;
                }
            }
        }
        ksort($found, \SORT_STRING);
        foreach ($found as $key => $path) {
            $cursor = ltrim((string) $key, '0');
            $problem = self::unfit($path);
            if (null !== $problem) {
                yield Arrived::unfit($cursor, basename($path), $problem);
                continue;
            }
            $raw = @file_get_contents($path, length: MailFiles::LARGEST + 1);
            // It has moved in this moment: it is found under its new name the next time.
            if (false !== $raw) {
                yield \strlen($raw) > MailFiles::LARGEST
                    ? Arrived::unfit($cursor, basename($path), self::tooLarge())
                    : Arrived::of($raw, $cursor, basename($path));
            }
        }
    }

    /** What is no plain file can lead elsewhere, or never end. Null when it can be read. */
    private static function unfit(string $path): ?string
    {
        $kind = @filetype($path);

        return match (true) {
            'file' === $kind => (int) @filesize($path) > MailFiles::LARGEST ? self::tooLarge() : null,
            'link' === $kind => 'It is a link to something else, which is not followed.',
            // It has moved in this moment.
            false === $kind => null,
            default => 'It is no file.',
        };
    }

    private static function tooLarge(): string
    {
        return \sprintf('It is larger than %d MB.', intdiv(MailFiles::LARGEST, 1024 * 1024));
    }
}
