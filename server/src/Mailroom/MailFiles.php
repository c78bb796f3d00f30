<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

/**
 * Finds the messages in files and folders: single messages (.eml), mbox files and Maildir folders,
 * and folders of these. One message is held in memory at a time.
 */
final readonly class MailFiles
{
    /** Bytes; nothing that is larger has been a message. */
    public const LARGEST = 100 * 1024 * 1024;

    public function __construct(private MboxFile $mbox)
    {
    }

    /**
     * @param string $path what to read
     * @param string $name how to call it in reports, when it is not its path
     *
     * @return iterable<FoundMessage>
     */
    public function in(string $path, ?string $name = null): iterable
    {
        $name ??= $path;
        if (is_dir($path)) {
            yield from $this->folder($path, $name);
        } elseif (!is_file($path)) {
            yield FoundMessage::unreadable($name, 0, 'There is no such file or folder.');
        } elseif (!is_readable($path)) {
            yield FoundMessage::unreadable($name, 0, 'This file may not be read.');
        } elseif ($this->isMbox($path)) {
            yield from $this->mbox->messages($path, $name);
        } elseif (filesize($path) > self::LARGEST) {
            yield FoundMessage::unreadable($name, 0, \sprintf('It is larger than %d MB.', self::LARGEST / 1024 / 1024));
        } else {
            yield FoundMessage::of($name, 0, (string) file_get_contents($path));
        }
    }

    /** @return int bytes in a file, or in the files of a folder */
    public function size(string $path): int
    {
        if (is_file($path)) {
            return (int) filesize($path);
        }
        $bytes = 0;
        foreach (is_dir($path) ? new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
            $path,
            \FilesystemIterator::SKIP_DOTS,
        )) : [] as $file) {
            $bytes += $file instanceof \SplFileInfo && $file->isFile() && !$file->isLink() ? (int) $file->getSize() : 0;
        }

        return $bytes;
    }

    /** @return iterable<FoundMessage> */
    private function folder(string $path, string $name): iterable
    {
        $isMaildir = is_dir($path.'/cur') && is_dir($path.'/new');
        foreach (scandir($path) ?: [] as $entry) {
            $inside = $path.'/'.$entry;
            $skipped = '.' === $entry || '..' === $entry || is_link($inside)
                || ($isMaildir && ('tmp' === $entry || !is_dir($inside)))
                || (is_file($inside) && str_starts_with($entry, '.'));
            if (!$skipped) {
                yield from $this->in($inside, $name.'/'.$entry);
            }
        }
    }

    private function isMbox(string $path): bool
    {
        $file = fopen($path, 'r');
        if (false === $file) {
            return false;
        }
        try {
            do {
                $line = fgets($file, 1024);
            } while (false !== $line && '' === trim($line));

            return false !== $line && str_starts_with($line, 'From ');
        } finally {
            fclose($file);
        }
    }
}
