<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
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
 * Fetches what was found in a mailbox and is not here yet: the inbox first, and the newest first. Each is noted in the transaction in
 * which it is taken in.
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
        private Attempts $attempts,
        private LeftOut $leftOut,
        private ClockInterface $clock,
    ) {
    }

    public function isAnyWanted(ServerBox $box): bool
    {
        return false !== $this->connection->fetchOne(
            "SELECT 1 FROM server_copy WHERE account_id = ? AND mailbox = ? AND state = 'wanted' AND missed = 0 LIMIT 1",
            $box->key(),
        );
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
    private function next(ServerBox $box): array
    {
        $rows = array_map(static fn (array $columns): Row => new Row($columns), $this->connection->fetchAllAssociative(
            "SELECT c.id, c.uid, c.size, c.came_at, c.header, f.id AS folder_id, f.name, f.role, f.validity, f.taken_in
             FROM server_copy c JOIN server_folder f ON f.id = c.folder_id
             WHERE c.account_id = ? AND c.mailbox = ? AND c.state = 'wanted' AND c.missed = 0 AND c.uid IS NOT NULL
             ORDER BY f.role = 'inbox' DESC, c.came_at DESC LIMIT ".self::AT_ONCE,
            $box->key(),
        ));
        $some = [];
        $bytes = 0;
        foreach ($rows as $row) {
            $bytes += $row->int('size');
            if ($row->int('folder_id') !== $rows[0]->int('folder_id') || ([] !== $some && $bytes > TakeLetters::BATCH_BYTES)) {
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
            $letter = $row->bool('taken_in') ? $this->read($box, $row, $sources[$uid]) : $this->recognize($box, $row, $sources[$uid]);
            null === $letter || $letters[] = $letter;
            unset($sources[$uid]);
        }
        $taken = 0;
        foreach ([true, false] as $isNews) {
            $some = array_values(array_filter($letters, static fn (array $letter): bool => $letter[1] === $isNews));
            $kept = $this->take->keep($this->recipient($box, $isNews), array_column($some, 0));
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
     * @return array{
     *     array{\ZippyTray\Core\Arrival\Incoming, array<string, mixed>, callable(EmailId|null, bool): mixed}, bool, Row
     * }|null what is to be kept; whether it arrives now, and was not there before; null when it is left
     */
    private function read(ServerBox $box, Row $row, string $raw): ?array
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
                $this->recipient($box, $isNews),
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
            $isLeftThere = $isInbox && $isOld && !$box->settings->archiveThere;

            return [
                [$incoming, $where, fn (?EmailId $id, bool $isNew) => $this->note($box, $row, $id, $isNew && $isLeftThere)],
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
            $this->note($box, $row, $this->messages->known($box->accountId(), $content->fingerprint), false);
        } catch (\ZippyTray\Core\Mail\Mime\UnreadableMessage) {
            $this->note($box, $row, null, false);
        }

        return null;
    }

    private function note(ServerBox $box, Row $row, ?EmailId $id, bool $isLeftThere): void
    {
        $agreed = $isLeftThere ? [FolderRole::Inbox->value, FolderRole::Archive->value] : [null, null];
        $this->connection->executeStatement(
            'UPDATE server_copy SET message_id = ?, state = ?, settled = ?, agreed = ? WHERE id = ?',
            [$id, null === $id ? 'unwanted' : 'here', ...$agreed, $row->int('id')],
        );
        $this->copies->mark($box, $id?->text);
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
