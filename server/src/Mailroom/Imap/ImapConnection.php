<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\Imap;

use ZippyTray\Core\InStep\Security;
use ZippyTray\Core\Mail\Mime\MessageIds;
use ZippyTray\Server\Account\MailServer;
use ZippyTray\Server\Mailroom\AuthorityFile;
use ZippyTray\Server\Mailroom\In\NotReached;

/**
 * A connection to the server that keeps a mailbox (RFC 9051, and RFC 3501 before it). It asks and tells what it is asked for, and
 * decides nothing.
 *
 * All of it throws NotReached when the connection is lost, and NotDone when the server would not. Folders are named in UTF-8. What
 * is asked of a folder is asked with the UIDVALIDITY that is known of it; FolderAnew is thrown when it is another one.
 */
final class ImapConnection
{
    /** Seconds without an answer. */
    private const PATIENCE = 30;

    /** Messages that are listed at once. */
    private const LISTED = 1000;

    private const LONGEST_SAID = 300;

    private readonly ImapSocket $client;

    /** @param list<string> $without capabilities that are not made use of, whatever the server says; for tests */
    public function __construct(private readonly MailServer $server, private readonly array $without = [], ?string $debug = null)
    {
        Horde::load();
        [$host, $port, $security] = $server->imap;
        $this->client = new ImapSocket(array_filter([
            'username' => $server->user,
            'password' => $server->secret(),
            'xoauth2_token' => null === $server->grant ? null : base64_encode("user={$server->user}\1auth=Bearer {$server->secret()}\1\1"),
            'hostspec' => $host,
            'port' => $port,
            'secure' => match ($security) {
                Security::Tls => 'ssl',
                Security::StartTls => 'tls',
                Security::Plain => false,
            },
            'timeout' => self::PATIENCE,
            // Nothing is kept here; but without it the library asks for no changes since a moment (RFC 7162).
            'cache' => ['backend' => new \Horde_Imap_Client_Cache_Backend_Null()],
            'debug' => $debug,
            'context' => ['ssl' => array_filter([
                'verify_peer' => true,
                'verify_peer_name' => true,
                'peer_name' => trim($host, '[]'),
                'SNI_enabled' => true,
                'disable_compression' => true,
                'crypto_method' => \STREAM_CRYPTO_METHOD_TLSv1_2_CLIENT | \STREAM_CRYPTO_METHOD_TLSv1_3_CLIENT,
                'cafile' => '' === $server->authority ? null : AuthorityFile::of($server->authority),
            ], static fn (mixed $value): bool => null !== $value)],
        ], static fn (mixed $value): bool => null !== $value));
        null === $server->grant || $this->client->signInWith($server->secret());
    }

    public function __destruct()
    {
        $this->close();
    }

    public function close(): void
    {
        try {
            @$this->client->logout();
        } catch (\Throwable) {
            // It is closed already.
        }
    }

    /**
     * Signs in.
     *
     * @throws NotReached
     */
    public function open(): void
    {
        $this->asked(function (): void {
            $this->client->login();
            foreach ($this->without as $capability) {
                $this->client->capability->remove($capability);
            }
        });
    }

    public function has(string $capability): bool
    {
        return !\in_array($capability, $this->without, true)
            && true === $this->asked(fn (): bool => (bool) $this->client->capability->query($capability));
    }

    /**
     * All folders, each with its status: one round trip where the server has LIST-STATUS (RFC 5819).
     *
     * @return list<FolderStatus>
     */
    public function folders(): array
    {
        $kinds = \Horde_Imap_Client::STATUS_MESSAGES | \Horde_Imap_Client::STATUS_UIDNEXT | \Horde_Imap_Client::STATUS_UIDVALIDITY;
        $this->has('CONDSTORE') && $kinds |= \Horde_Imap_Client::STATUS_HIGHESTMODSEQ;

        return $this->asked(function () use ($kinds): array {
            $folders = [];
            /**
             * @var array<string, array{
             *     mailbox: \Horde_Imap_Client_Mailbox, attributes?: list<string>, delimiter?: string, status?: array<string, mixed>
             * }> $listed
             */
            $listed = $this->client->listMailboxes('*', \Horde_Imap_Client::MBOX_ALL, [
                'attributes' => true,
                'delimiter' => true,
                'special_use' => true,
                'status' => $kinds,
            ]);
            foreach ($listed as $one) {
                $status = $one['status'] ?? [];
                $folders[] = new FolderStatus(
                    (string) $one['mailbox'],
                    $one['delimiter'] ?? '',
                    array_map(strtolower(...), $one['attributes'] ?? []),
                    self::number($status['uidvalidity'] ?? 0),
                    self::number($status['uidnext'] ?? 0),
                    self::number($status['messages'] ?? 0),
                    self::number($status['highestmodseq'] ?? 0),
                );
            }

            return $folders;
        });
    }

    /** @return FolderStatus|null null when there is no such folder */
    public function folder(string $name): ?FolderStatus
    {
        foreach ($this->folders() as $folder) {
            if ($folder->name === $name) {
                return $folder;
            }
        }

        return null;
    }

    /**
     * @param \DateTimeInterface $since a day; its time does not matter
     *
     * @return int how many messages the server received since that day, as it counts days (RFC 9051, 6.4.4: SINCE)
     */
    public function countSince(string $folder, \DateTimeInterface $since): int
    {
        $query = new \Horde_Imap_Client_Search_Query();
        $query->dateSearch(new \Horde_Imap_Client_DateTime($since->format('Y-m-d')), \Horde_Imap_Client_Search_Query::DATE_SINCE);

        return $this->asked(function () use ($folder, $query): int {
            $found = (array) $this->client->search(
                $folder,
                $query,
                ['nocache' => true, 'results' => [\Horde_Imap_Client::SEARCH_RESULTS_COUNT]],
            );

            return self::number($found['count'] ?? 0);
        });
    }

    /** @return string with what the names of the person's own folders begin (RFC 2342); empty: with nothing, or the server does not say */
    public function prefix(): string
    {
        return $this->asked(function (): string {
            /** @var iterable<\Horde_Imap_Client_Data_Namespace> $namespaces */
            $namespaces = $this->client->getNamespaces([], ['ob_return' => true]);
            foreach ($namespaces as $one) {
                if (\Horde_Imap_Client_Data_Namespace::NS_PERSONAL === $one->type) {
                    return $one->name;
                }
            }

            return '';
        });
    }

    /** @param string $attribute a special use that it is made for (RFC 6154), as \Archive; empty: none */
    public function create(string $name, string $attribute = ''): void
    {
        $this->asked(function () use ($name, $attribute): void {
            $use = '' !== $attribute && $this->has('CREATE-SPECIAL-USE') ? ['special_use' => [$attribute]] : [];
            try {
                $this->client->createMailbox($name, $use);
            } catch (\Horde_Imap_Client_Exception $problem) {
                // It may know of special uses and not let this one be set (RFC 6154, 3).
                [] !== $use ? $this->client->createMailbox($name) : throw $problem;
            }
            $this->client->subscribeMailbox($name);
        });
    }

    /**
     * The messages from a number on, in the order of their numbers.
     *
     * @param int $next UIDNEXT, as it was told before: what comes in afterwards is listed the next time
     *
     * @return \Generator<Listed>
     */
    public function listed(string $folder, int $validity, int $next, int $from = 1): \Generator
    {
        if ($from >= $next) {
            return;
        }
        $this->select($folder, $validity);
        $uids = $next - $from <= self::LISTED
            ? range($from, $next - 1)
            : array_values(array_filter($this->search($folder), static fn (int $uid): bool => $uid >= $from && $uid < $next));
        foreach (array_chunk($uids, self::LISTED) as $some) {
            yield from $this->some($folder, $validity, $some);
        }
    }

    /**
     * @param list<int> $uids
     *
     * @return list<Listed> those that are there
     */
    public function some(string $folder, int $validity, array $uids): array
    {
        if ([] === $uids) {
            return [];
        }
        $this->select($folder, $validity);
        $query = self::briefly();
        $query->headers('id', ['Message-ID'], ['peek' => true, 'cache' => false]);
        $query->size();
        $query->imapDate();

        return $this->fetched($folder, $query, $uids);
    }

    /**
     * @return list<int> the numbers of all that is there, in their order
     */
    public function uids(string $folder, int $validity): array
    {
        $this->select($folder, $validity);

        return $this->search($folder);
    }

    /**
     * What marks have changed since (RFC 7162, 3.1.4.1); without CONDSTORE, those of all.
     *
     * @return list<Listed> numbers and flags only
     */
    public function flags(string $folder, int $validity, int $since = 0): array
    {
        $this->select($folder, $validity);

        return $this->fetched($folder, self::briefly(), [], $since);
    }

    /**
     * @return list<int>|null the numbers that have gone since (RFC 7162, 3.2.6); null when the server cannot tell
     */
    public function vanished(string $folder, int $validity, int $since): ?array
    {
        if ($since < 1 || !$this->has('QRESYNC')) {
            return null;
        }
        $this->select($folder, $validity);

        return $this->asked(fn (): array => self::numbers($this->client->vanished($folder, $since)));
    }

    /**
     * @param list<int> $uids
     *
     * @return array<int, string> the bytes of those that are there, by their numbers
     */
    public function sources(string $folder, int $validity, array $uids): array
    {
        $this->select($folder, $validity);
        $query = new \Horde_Imap_Client_Fetch_Query();
        $query->fullText(['peek' => true]);

        return $this->asked(function () use ($folder, $query, $uids): array {
            $found = [];
            foreach ($this->fetch($folder, $query, ['ids' => $this->ids($uids)]) as $one) {
                $text = $one->getFullMsg();
                if (\is_string($text) && '' !== $text) {
                    $found[self::number($one->getUid())] = $text;
                }
            }

            return $found;
        });
    }

    /**
     * @param string $header Message-ID without angle brackets; empty: they have none
     * @param int    $size   octets; of those that have no Message-ID only the ones of this size are found
     *
     * @return list<Listed> those that have it
     */
    public function find(string $folder, int $validity, string $header, int $size = 0): array
    {
        $this->select($folder, $validity);
        $query = new \Horde_Imap_Client_Search_Query();
        if ('' === $header) {
            if ($size < 2) {
                return [];
            }
            $query->size($size - 1, true);
            $query->size($size + 1);
        } else {
            $query->headerText('Message-ID', $header);
        }

        return array_values(array_filter(
            $this->some($folder, $validity, $this->search($folder, $query)),
            static fn (Listed $one): bool => $one->header === $header,
        ));
    }

    /**
     * Moves a message (RFC 6851). Where the server cannot, it is copied, and the first one marked as deleted; that is expunged when
     * the server can do so with it alone (RFC 4315).
     *
     * @return int|null its number there; null when the server does not say
     */
    public function move(string $folder, int $validity, int $uid, string $to): ?int
    {
        $this->select($folder, $validity);

        return $this->asked(function () use ($folder, $uid, $to): ?int {
            $canMove = $this->has('MOVE');
            $map = $this->client->copy($folder, $to, ['ids' => $this->ids([$uid]), 'move' => $canMove]);
            $canMove || $this->remove($folder, [$uid]);

            return \is_array($map) && isset($map[$uid]) ? self::number($map[$uid]) : null;
        });
    }

    /**
     * Removes messages for good; without UIDPLUS they are only marked for it, since all others that are marked would go with them.
     *
     * @param list<int> $uids
     */
    public function expunge(string $folder, int $validity, array $uids): void
    {
        $this->select($folder, $validity);
        $this->asked(fn () => $this->remove($folder, $uids));
    }

    /**
     * @param list<string> $add
     * @param list<string> $remove
     */
    public function mark(string $folder, int $validity, int $uid, array $add, array $remove = []): void
    {
        $this->select($folder, $validity);
        $this->asked(fn () => $this->client->store($folder, ['ids' => $this->ids([$uid]), 'add' => $add, 'remove' => $remove]));
    }

    /**
     * Puts a message into a folder.
     *
     * @param list<string> $flags
     *
     * @return int|null its number there; null when the server does not say
     */
    public function append(string $folder, string $raw, array $flags, \DateTimeImmutable $at): ?int
    {
        return $this->asked(function () use ($folder, $raw, $flags, $at): ?int {
            $ids = $this->client->append($folder, [[
                'data' => $raw,
                'flags' => $flags,
                'internaldate' => new \DateTime($at->format(\DATE_ATOM)),
            ]]);

            return self::numbers($ids)[0] ?? null;
        });
    }

    /** @param list<int> $uids */
    private function remove(string $folder, array $uids): void
    {
        $this->client->store($folder, ['ids' => $this->ids($uids), 'add' => ['\Deleted']]);
        if ($this->has('UIDPLUS')) {
            $this->client->expunge($folder, ['ids' => $this->ids($uids)]);
        }
    }

    /** @throws FolderAnew */
    private function select(string $folder, int $validity): void
    {
        $now = $this->asked(function () use ($folder): int {
            $this->client->openMailbox($folder, \Horde_Imap_Client::OPEN_READWRITE);
            $status = (array) $this->client->status($folder, \Horde_Imap_Client::STATUS_UIDVALIDITY);

            return self::number($status['uidvalidity'] ?? 0);
        });
        if ($now !== $validity) {
            throw new FolderAnew(\sprintf('The folder %s has been made anew.', $folder));
        }
    }

    /** @return list<int> in their order */
    private function search(string $folder, ?\Horde_Imap_Client_Search_Query $query = null): array
    {
        $uids = $this->asked(function () use ($folder, $query): array {
            $found = (array) $this->client->search($folder, $query, ['nocache' => true]);

            return self::numbers($found['match'] ?? null);
        });
        sort($uids);

        return $uids;
    }

    /**
     * @param list<int> $uids none: all
     *
     * @return list<Listed>
     */
    private function fetched(string $folder, \Horde_Imap_Client_Fetch_Query $query, array $uids, int $since = 0): array
    {
        return $this->asked(function () use ($folder, $query, $uids, $since): array {
            $found = [];
            $ids = [] === $uids ? $this->client->getIdsOb(\Horde_Imap_Client_Ids::ALL) : $this->ids($uids);
            // Nothing is asked about an empty folder: it would be a mistake (RFC 9051, 6.4.9).
            if ([] === $uids && 0 === $this->messages($folder)) {
                return [];
            }
            $only = $since > 0 && $this->has('CONDSTORE') ? ['changedsince' => $since] : [];
            foreach ($this->fetch($folder, $query, ['ids' => $ids] + $only) as $one) {
                // The library makes something up for those that are not there.
                !$one->exists(\Horde_Imap_Client::FETCH_FLAGS) || $found[] = self::one($one);
            }

            return $found;
        });
    }

    /**
     * @param array<string, mixed> $options
     *
     * @return list<\Horde_Imap_Client_Data_Fetch>
     */
    private function fetch(string $folder, \Horde_Imap_Client_Fetch_Query $query, array $options): array
    {
        $this->client->begin();
        /** @var list<\Horde_Imap_Client_Data_Fetch> $found */
        $found = iterator_to_array($this->client->fetch($folder, $query, $options), false);
        $this->client->end();

        return $found;
    }

    private function messages(string $folder): int
    {
        return self::number(((array) $this->client->status($folder, \Horde_Imap_Client::STATUS_MESSAGES))['messages'] ?? 0);
    }

    private static function one(\Horde_Imap_Client_Data_Fetch $one): Listed
    {
        $header = $one->getHeaders('id');
        $header = \is_string($header) && 1 === preg_match('/^message-id:(.*(?:\r?\n[ \t].*)*)/im', $header, $m)
            ? (string) preg_replace('/\r?\n(?=[ \t])/', '', $m[1])
            : '';
        $at = $one->getImapDate();
        /** @var list<string> $flags */
        $flags = $one->getFlags();

        return new Listed(
            self::number($one->getUid()),
            MessageIds::own(mb_scrub($header)),
            self::number($one->getSize()),
            array_map(strtolower(...), $flags),
            $at->getTimestamp() > 0 ? \DateTimeImmutable::createFromInterface($at) : null,
        );
    }

    private static function briefly(): \Horde_Imap_Client_Fetch_Query
    {
        $query = new \Horde_Imap_Client_Fetch_Query();
        $query->uid();
        $query->flags();

        return $query;
    }

    /** @param list<int> $uids */
    private function ids(array $uids): \Horde_Imap_Client_Ids
    {
        return $this->client->getIdsOb($uids);
    }

    /** @return list<int> */
    private static function numbers(mixed $ids): array
    {
        return $ids instanceof \Horde_Imap_Client_Ids ? array_map(self::number(...), array_values((array) $ids->ids)) : [];
    }

    private static function number(mixed $value): int
    {
        return \is_int($value) || (\is_string($value) && is_numeric($value)) ? max(0, (int) $value) : 0;
    }

    /**
     * @template T
     *
     * @param callable(): T $what
     *
     * @return T
     *
     * @throws NotReached
     * @throws NotDone
     */
    private function asked(callable $what): mixed
    {
        try {
            return $what();
        } catch (\Horde_Imap_Client_Exception $problem) {
            throw $this->problem($problem);
        } catch (NotReached|NotDone|FolderAnew $problem) {
            throw $problem;
        } catch (\Throwable $problem) {
            // What a server says can be anything, and the library does not expect all of it.
            throw new NotReached('The mail server said something that cannot be understood.', 0, $problem);
        }
    }

    private function problem(\Horde_Imap_Client_Exception $problem): NotReached|NotDone
    {
        $code = $problem->getCode();
        $said = $this->said($problem);

        return match (true) {
            \in_array($code, [
                \Horde_Imap_Client_Exception::LOGIN_AUTHENTICATIONFAILED,
                \Horde_Imap_Client_Exception::LOGIN_AUTHORIZATIONFAILED,
                \Horde_Imap_Client_Exception::LOGIN_EXPIRED,
            ], true) => new NotSignedIn('The mail server does not take the name or the password'.$said, 0, $problem),
            \Horde_Imap_Client_Exception::LOGIN_NOAUTHMETHOD === $code => new NotSignedIn(
                'The mail server offers no way of signing in that is known here'.$said,
                0,
                $problem,
            ),
            \in_array($code, [
                \Horde_Imap_Client_Exception::LOGIN_TLSFAILURE,
                \Horde_Imap_Client_Exception::LOGIN_PRIVACYREQUIRED,
            ], true) => new NotReached(
                'No encrypted connection could be made: the server offers none, or its certificate is not one that is trusted here'.$said,
                0,
                $problem,
            ),
            \Horde_Imap_Client_Exception::SERVER_CONNECT === $code => new NotReached($this->unreached($problem), 0, $problem),
            \Horde_Imap_Client_Exception::OVERQUOTA === $code => new NotDone(
                'There is no room left in the mailbox'.$said,
                'Remove something there, as what lies in its bin: then it is done by itself.',
                $problem,
            ),
            \in_array($code, [
                \Horde_Imap_Client_Exception::NOPERM,
                \Horde_Imap_Client_Exception::MAILBOX_READONLY,
            ], true) => new NotDone(
                'The folder may only be read'.$said,
                NotDone::OTHER_FOLDER,
                $problem,
            ),
            \in_array($code, [
                \Horde_Imap_Client_Exception::NONEXISTENT,
                \Horde_Imap_Client_Exception::MAILBOX_NOOPEN,
            ], true) => new NotDone(
                'The folder is not there, or cannot be opened'.$said,
                NotDone::OTHER_FOLDER,
                $problem,
            ),
            $problem instanceof \Horde_Imap_Client_Exception_ServerResponse && \in_array($problem->status, [
                \Horde_Imap_Client_Interaction_Server::NO,
                \Horde_Imap_Client_Interaction_Server::BAD,
            ], true) => new NotDone('The mail server would not'.$said, '', $problem),
            default => new NotReached('The connection to the mail server was lost'.$said, 0, $problem),
        };
    }

    private function unreached(\Horde_Imap_Client_Exception $problem): string
    {
        [$host, $port, $security] = $this->server->imap;
        // The socket says no more than this when the certificate is not trusted.
        if (Security::Tls === $security && 1 === preg_match('/\[0\]|SSL|certificate|crypto/i', (string) $problem->details)) {
            return \sprintf(
                'No encrypted connection to %s could be made: its certificate is not one that is trusted here, or port %d is not for TLS.',
                $host,
                $port,
            );
        }

        return \sprintf('%s cannot be reached at port %d.', $host, $port);
    }

    /** What the server itself says, as the end of a sentence. */
    private function said(\Horde_Imap_Client_Exception $problem): string
    {
        $said = trim((string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', mb_scrub((string) $problem->details)));
        if ('' !== $this->server->password) {
            $said = str_replace($this->server->password, '…', $said);
        }

        return '' === $said ? '.' : ': '.rtrim(mb_strimwidth($said, 0, self::LONGEST_SAID, '…'), '. ').'.';
    }
}
