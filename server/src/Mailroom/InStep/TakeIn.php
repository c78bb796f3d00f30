<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use ZippyTray\Core\Arrival\Reading;
use ZippyTray\Core\Arrival\Recipient;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\Mail\EmailId;
use ZippyTray\Core\Mail\Messages;
use ZippyTray\Core\Mail\Mime\MessageReader;
use ZippyTray\Core\Tray\Place;
use ZippyTray\Server\Mailroom\Imap\ImapConnection;
use ZippyTray\Server\Mailroom\Imap\NotDone;
use ZippyTray\Server\Mailroom\MailFiles;
use ZippyTray\Server\Mailroom\TakeLetters;
use ZippyTray\Server\Store\Attempts;
use ZippyTray\Server\Store\LeftOut;
use ZippyTray\Server\Store\Row;

/**
 * Fetches what was found in a mailbox and is not here yet, the newest first: what is to be decided, then what was sent, which tells what
 * has been answered, then the older part of the inbox, then the other folders. Each is noted in the transaction in which it is taken in.
 */
final readonly class TakeIn
{
    private const AT_ONCE = 50;

    public function __construct(
        private Connection $connection,
        private TakeLetters $take,
        private Messages $messages,
        private MessageReader $reader,
        private Copies $copies,
        private Reading $reading,
        private Attempts $attempts,
        private LeftOut $leftOut,
        private ClockInterface $clock,
    ) {
    }

    public function isAnyWanted(ServerBox $box): bool
    {
        return [] !== $this->next($box, 1);
    }

    /**
     * @param callable(): bool $isEnding asked before each few
     *
     * @return int how many were taken in
     */
    public function __invoke(ServerBox $box, ImapConnection $on, callable $isEnding): int
    {
        $taken = 0;
        while (!$isEnding()) {
            $some = $this->next($box);
            if ([] === $some) {
                break;
            }
            $taken += $this->some($box, $on, $some);
        }

        return $taken;
    }

    /** @return non-empty-list<Row>|array{} of one folder */
    private function next(ServerBox $box, int $most = self::AT_ONCE): array
    {
        $since = $box->settings->since ?? '';
        $stages = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT id AS folder_id, name, role, validity, taken_in FROM server_folder WHERE account_id = ? AND mailbox = ? ORDER BY id',
            $box->key(),
        ) as $folder) {
            match (FolderRole::tryFrom((new Row($folder))->string('role'))) {
                FolderRole::Inbox => [$stages[0][], $stages[2][]] = [[$folder, $since], [$folder, '']],
                FolderRole::Sent => $stages[1][] = [$folder, ''],
                default => $stages[3][] = [$folder, ''],
            };
        }
        ksort($stages);
        foreach ($stages as $stage => $folders) {
            // What is missed elsewhere may have been moved there.
            $isStopped = $stage > 0 && !$box->settings->takesOlder;
            if ($isStopped && !$this->copies->isAnyMissed($box)) {
                break;
            }
            foreach ($folders as [$folder, $from]) {
                $rows = $this->of($folder, $from, $isStopped, $most);
                if ([] !== $rows) {
                    return $rows;
                }
            }
        }

        return [];
    }

    /**
     * @param array<string, mixed> $folder
     *
     * @return non-empty-list<Row>|array{} as many as may be fetched at once
     */
    private function of(array $folder, string $from, bool $onlyMissed, int $most): array
    {
        $some = [];
        $bytes = 0;
        $missed = $onlyMissed ? 'AND EXISTS (SELECT 1 FROM server_copy o WHERE o.account_id = c.account_id AND o.mailbox = c.mailbox
            AND o.size = c.size AND o.missed > 0)' : '';
        foreach ($this->connection->fetchAllAssociative(
            "SELECT id, uid, size, came_at, header FROM server_copy c WHERE folder_id = ? AND state = 'wanted' AND missed = 0
                AND uid IS NOT NULL AND came_at >= ? {$missed} ORDER BY came_at DESC LIMIT {$most}",
            [$folder['folder_id'], $from],
        ) as $columns) {
            $row = new Row($columns + $folder);
            $bytes += $row->int('size');
            if ([] !== $some && $bytes > TakeLetters::BATCH_BYTES) {
                break;
            }
            $some[] = $row;
        }

        return $some;
    }

    /** @param non-empty-list<Row> $some */
    private function some(ServerBox $box, ImapConnection $on, array $some): int
    {
        $asked = [];
        foreach ($some as $row) {
            if ($row->int('size') > MailFiles::LARGEST) {
                $this->leave($box, $row, \sprintf('It is larger than %d MB.', intdiv(MailFiles::LARGEST, 1024 * 1024)));
            } else {
                $asked[$row->int('uid')] = $row;
            }
        }
        $sources = $this->sources($box, $on, $some[0], $asked);
        $to = [$this->recipient($box, false), $this->recipient($box, true)];
        $letters = [];
        foreach ($asked as $uid => $row) {
            if (\array_key_exists($uid, $sources) && null === $sources[$uid]) {
                continue;
            }
            if (!isset($sources[$uid])) {
                // It went in this moment: the next look finds out where to.
                $this->connection->executeStatement(
                    'UPDATE server_copy SET missed = ?, uid = NULL WHERE id = ?',
                    [$box->looks + 1, $row->int('id')],
                );
                continue;
            }
            $letter = $row->bool('taken_in') ? $this->read($box, $row, $sources[$uid], $to) : $this->recognize($box, $row, $sources[$uid]);
            null === $letter || $letters[] = $letter;
            unset($sources[$uid]);
        }
        $taken = 0;
        foreach ([true, false] as $isNews) {
            $some = array_values(array_filter($letters, static fn (array $letter): bool => $letter[1] === $isNews));
            $kept = $this->take->keep($to[(int) $isNews], array_column($some, 0));
            foreach ($kept as $at => $isNew) {
                if (\is_string($isNew)) {
                    $this->leave($box, $some[$at][2], $isNew);
                } else {
                    $taken += $isNew ? 1 : 0;
                }
            }
        }

        return $taken;
    }

    /**
     * @param array<int, Row> $asked by their numbers
     *
     * @return array<int, string|null> the bytes by the numbers; null for what the server would not give
     */
    private function sources(ServerBox $box, ImapConnection $on, Row $in, array $asked): array
    {
        if ([] === $asked) {
            return [];
        }
        try {
            return $on->sources($in->string('name'), $in->int('validity'), array_keys($asked));
        } catch (NotDone $problem) {
            if (1 === \count($asked)) {
                $this->leave($box, reset($asked), $problem->getMessage());

                return [array_key_first($asked) => null];
            }
        }
        // One of them is at fault.
        $sources = [];
        foreach ($asked as $uid => $row) {
            $sources += $this->sources($box, $on, $in, [$uid => $row]);
        }

        return $sources;
    }

    /**
     * @param array{Recipient, Recipient} $to of what was there before, and of what arrives now
     *
     * @return array{
     *     array{\ZippyTray\Core\Arrival\Incoming, array<string, mixed>, callable(EmailId|null, bool): mixed}, bool, Row
     * }|null what is to be kept; whether it arrives now, and was not there before; null when it is left
     */
    private function read(ServerBox $box, Row $row, string $raw, array $to): ?array
    {
        $attempt = \sprintf('fetch %s %d %d', $box->accountId(), $box->number, $row->int('id'));
        if (!$this->attempts->begin($attempt)) {
            $this->leave($box, $row, 'This program could not read it: it takes too much.');
            $this->attempts->forget($attempt);

            return null;
        }
        try {
            $isInbox = FolderRole::Inbox->value === $row->string('role');
            $isOld = null !== $box->settings->since && $row->string('came_at') < $box->settings->since;
            $isNews = $isInbox && !$isOld && $box->looks > 1;
            $where = ['account' => $box->accountId()->text, 'folder' => $row->string('name'), 'uid' => $row->int('uid')];
            $incoming = $this->take->read(
                $to[(int) $isNews],
                $raw,
                $isInbox && !$isOld ? Place::Tray : Place::Archive,
                $where,
                again: false,
                advised: $isNews,
            );
            if (\is_string($incoming)) {
                $this->leave($box, $row, $incoming);

                return null;
            }

            $isArchived = $isOld || !$isInbox;

            return [
                [$incoming, $where, fn (?EmailId $id, bool $isNew) => $this->note($box, $row, $to[0], $id, $isNew && $isArchived)],
                $isNews,
                $row,
            ];
        } finally {
            $this->attempts->end();
        }
    }

    /** In a folder whose mail is not taken in, only what is here already is found again. */
    private function recognize(ServerBox $box, Row $row, string $raw): null
    {
        try {
            $content = $this->reader->read($raw, \DateTimeImmutable::createFromInterface($this->clock->now()));
            $this->note($box, $row, null, $this->messages->known($box->accountId(), $content->fingerprint), false);
        } catch (\ZippyTray\Core\Mail\Mime\UnreadableMessage) {
            $this->note($box, $row, null, null, false);
        }

        return null;
    }

    /**
     * @param Recipient|null $to         who wants it read later, when it is in the older part of the inbox
     * @param bool           $isArchived whether it is new here, and went into the archive if its conversation was nowhere else
     */
    private function note(ServerBox $box, Row $row, ?Recipient $to, ?EmailId $id, bool $isArchived): void
    {
        $place = $isArchived && null !== $id ? $this->connection->fetchOne(
            'SELECT v.place FROM conversation_message x JOIN conversation v ON v.id = x.conversation_id WHERE x.message_id = ?',
            [$id],
        ) : null;
        $isInbox = FolderRole::Inbox->value === $row->string('role');
        // In an inbox it is left; elsewhere both agree on it as it is, unless its conversation is in another place.
        $isAgreed = Place::Archive->value === $place || ($isArchived && $isInbox);
        $this->connection->executeStatement(
            'UPDATE server_copy SET message_id = ?, state = ?, settled = ?, agreed = ? WHERE id = ?',
            [
                $id,
                null === $id ? 'unwanted' : 'here',
                $isAgreed ? $row->string('role') : null,
                $isAgreed ? FolderRole::Archive->value : null,
                $row->int('id'),
            ],
        );
        if (Place::Archive->value !== $place) {
            $this->copies->mark($box, $id?->text);
        }
        if ($isArchived && $isInbox && null !== $id && null !== $to) {
            // What of it had better stay is found by reading it, later.
            $this->reading->want($to, [$id]);
        }
    }

    private function leave(ServerBox $box, Row $row, string $problem): void
    {
        $this->connection->executeStatement('UPDATE server_copy SET state = ? WHERE id = ?', ['left', $row->int('id')]);
        $this->leftOut->note(
            $box->accountId(),
            'imap',
            '' === $row->string('header') ? \sprintf('%s, number %d', $row->string('name'), $row->int('uid')) : $row->string('header'),
            $problem,
        );
    }

    private function recipient(ServerBox $box, bool $isNews): Recipient
    {
        return $box->account->recipient($isNews ? $this->clock->now() : null);
    }
}
