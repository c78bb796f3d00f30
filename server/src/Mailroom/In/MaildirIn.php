<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\In;

use ZippyTray\Core\Refused;

/**
 * A Maildir that another program keeps in step: messages in new/ and cur/, a file each. It is only read.
 *
 * A message keeps the part of its name before the colon when it moves from new/ to cur/ or its flags change. The
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
                $at = str_starts_with($file, '.') ? false : @filectime($path);
                $base = explode(':', $file, 2)[0];
                if (false !== $at && ($at > (int) $from || ($at === (int) $from && strcmp($base, $name) > 0))) {
                    $found[\sprintf('%012d %s', $at, $base)] = $path;
                }
            }
        }
        ksort($found, \SORT_STRING);
        foreach ($found as $key => $path) {
            $raw = @file_get_contents($path);
            // It has moved in this moment: it is found under its new name the next time.
            if (false !== $raw) {
                yield new Arrived($raw, ltrim((string) $key, '0'));
            }
        }
    }
}
