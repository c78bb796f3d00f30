<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

/**
 * Reads an mbox file (RFC 4155 and its relatives) line by line.
 *
 * A message begins after a "From " line that stands at the beginning or behind an empty line, and
 * looks like one: programs that quote nothing leave sentences there that begin with "From". Quoting
 * is undone in both ways in use, ">From " for "From " and ">>From " for ">From ".
 */
final readonly class MboxFile
{
    private const DATED = '/^From .*\b\d{1,2}:\d{2}(:\d{2})?\b.*\b\d{4}\b|^From .*\b\d{4}\b.*\b\d{1,2}:\d{2}(:\d{2})?\b/';

    private const UNDATED = '/^From (\S+@\S+|-|MAILER[-_]DAEMON)\s*$/i';

    private const FIELD = '/^[!-9;-~]+[ \t]*:/';

    /**
     * @param string $name how to call the file in reports
     *
     * @return iterable<FoundMessage>
     */
    public function messages(string $path, string $name): iterable
    {
        $file = fopen($path, 'r');
        if (false === $file) {
            yield FoundMessage::unreadable($name, 0, 'This file may not be read.');

            return;
        }
        try {
            $start = (string) fread($file, 8192);
            if (str_contains($start, "\r") && !str_contains($start, "\n")) {
                yield FoundMessage::unreadable(
                    $name,
                    0,
                    'Its lines end with a carriage return alone, which no mailbox file does. Convert its line ends first.',
                );

                return;
            }
            rewind($file);
            yield from $this->split($file, $name);
        } finally {
            fclose($file);
        }
    }

    /**
     * @param resource $file
     *
     * @return iterable<FoundMessage>
     */
    private function split($file, string $name): iterable
    {
        $start = 0;
        $position = 0;
        $open = false;
        $raw = '';
        $afterEmpty = true;
        $tooLarge = false;
        $first = null;
        $line = fgets($file);
        while (false !== $line) {
            $next = fgets($file);
            if (str_starts_with($line, 'From ')
                && ($afterEmpty ? $this->isSeparator($line, $next, $first) : $this->isPlainSeparator($line, $next))) {
                $first ??= $line;
                if ($open) {
                    yield $this->found($name, $start, $raw, $tooLarge);
                }
                [$open, $raw, $tooLarge, $start] = [true, '', false, $position];
            } elseif ($open && !$tooLarge) {
                $raw .= str_starts_with($line, '>') && 1 === preg_match('/^>+From /', $line) ? substr($line, 1) : $line;
                if (\strlen($raw) > MailFiles::LARGEST) {
                    [$raw, $tooLarge] = ['', true];
                }
            }
            $afterEmpty = '' === rtrim($line, "\r\n");
            $position += \strlen($line);
            $line = $next;
        }
        yield $open ? $this->found($name, $start, $raw, $tooLarge) : FoundMessage::unreadable($name, 0, 'No message was found in it.');
    }

    /** @param ?string $first the line with which the file begins, which may say anything, and may then come again */
    private function isSeparator(string $line, string|false $next, ?string $first): bool
    {
        return 1 === preg_match(self::DATED, $line)
            || (\is_string($next)
                && 1 === preg_match(self::FIELD, $next)
                && (\in_array($first, [null, $line], true) || 1 === preg_match(self::UNDATED, $line)));
    }

    /** Some leave out the empty line before it: then it has to have a date, and header fields behind it. */
    private function isPlainSeparator(string $line, string|false $next): bool
    {
        return 1 === preg_match(self::DATED, $line) && \is_string($next) && 1 === preg_match(self::FIELD, $next);
    }

    private function found(string $name, int $start, string $raw, bool $tooLarge): FoundMessage
    {
        if ($tooLarge) {
            return FoundMessage::unreadable($name, $start, \sprintf('It is larger than %d MB.', MailFiles::LARGEST / 1024 / 1024));
        }

        // The empty line before the next "From " belongs to the format, not to the message.
        return FoundMessage::of($name, $start, (string) preg_replace('/(?:(?<=\n)|\A)\r?\n\z/', '', $raw));
    }
}
