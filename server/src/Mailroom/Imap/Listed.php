<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

/**
 * A message as a folder lists it.
 */
final readonly class Listed
{
    /**
     * @param string       $header Message-ID without angle brackets; empty when it has none, or was not asked for
     * @param int          $size   RFC822.SIZE, bytes
     * @param list<string> $flags  in small letters, as \seen
     */
    public function __construct(
        public int $uid,
        public string $header,
        public int $size,
        public array $flags,
        public ?\DateTimeImmutable $at,
    ) {
    }

    public function isSeen(): bool
    {
        return \in_array('\seen', $this->flags, true);
    }

    public function isAnswered(): bool
    {
        return \in_array('\answered', $this->flags, true);
    }

    /** Whether it only waits to be expunged. */
    public function isDeleted(): bool
    {
        return \in_array('\deleted', $this->flags, true);
    }
}
