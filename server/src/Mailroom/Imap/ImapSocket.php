<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

/**
 * The library's connection, which says nothing when a connection is lost while something is fetched: it gives what came until then, as if
 * that were all. This one remembers it.
 */
final class ImapSocket extends \Horde_Imap_Client_Socket
{
    private ?\Throwable $failure = null;

    /** Nothing has failed so far. */
    public function begin(): void
    {
        $this->failure = null;
    }

    /** @throws \Throwable what has failed since */
    public function end(): void
    {
        if (null !== $this->failure) {
            throw $this->failure;
        }
    }

    /** @return array<string, mixed> */
    public function __serialize(): array
    {
        throw new \LogicException('A connection cannot be kept.');
    }

    /** @param array<string, mixed> $data */
    public function __unserialize(array $data): void
    {
        throw new \LogicException('A connection cannot be kept.');
    }

    protected function _sendCmd($cmd)
    {
        try {
            return parent::_sendCmd($cmd);
        } catch (\Throwable $problem) {
            $this->failure = $problem;

            throw $problem;
        }
    }
}
