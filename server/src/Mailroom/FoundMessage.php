<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom;

/**
 * One message in a file, or the reason why it could not be taken out of it.
 */
final readonly class FoundMessage
{
    /**
     * @param int         $position bytes from the beginning of the file
     * @param string|null $raw      the message's bytes; null when $problem says what was wrong
     */
    private function __construct(
        public string $file,
        public int $position,
        public ?string $raw,
        public string $problem = '',
    ) {
    }

    public static function of(string $file, int $position, string $raw): self
    {
        return new self($file, $position, $raw);
    }

    public static function unreadable(string $file, int $position, string $problem): self
    {
        return new self($file, $position, null, $problem);
    }
}
