<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

use ZippyTray\Server\Mailroom\SignIn\Bearer;

/**
 * The library's connection, which says nothing when a connection is lost while something is fetched: it gives what came until then, as if
 * that were all. This one remembers it.
 */
final class ImapSocket extends \Horde_Imap_Client_Socket
{
    private ?\Throwable $failure = null;

    private string $token = '';

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

    /** Signs in with this access token instead of a password. */
    public function signInWith(#[\SensitiveParameter] string $token): void
    {
        $this->token = $token;
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

    /** A token is given in no other way than the two that are made for it (RFC 7628, and XOAUTH2, which was there before). */
    protected function _tryLogin($method)
    {
        if ('' === $this->token || 'XOAUTH2' === $method) {
            return parent::_tryLogin($method);
        }
        if ('OAUTHBEARER' !== $method) {
            throw new \Horde_Imap_Client_Exception('That takes a password.');
        }
        [$user, $host, $port] = [$this->getParam('username'), $this->getParam('hostspec'), $this->getParam('port')];
        \assert(\is_string($user) && \is_string($host) && is_numeric($port));
        $command = $this->_authInitialResponse($method, base64_encode(Bearer::response($user, $host, (int) $port, $this->token)), $user);
        // What is wrong is told in another question, which is answered by nothing (RFC 7628, 3.2.3).
        $answer = new \Horde_Imap_Client_Interaction_Command_Continuation(
            static fn (): \Horde_Imap_Client_Data_Format_List => new \Horde_Imap_Client_Data_Format_List(base64_encode(Bearer::NOTHING)),
        );
        $answer->optional = true;
        $command->add($answer);

        return $this->_sendCmd($this->_pipeline($command));
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
