<?php

declare(strict_types=1);

namespace ZippyTray\Server\Store\Ports;

use Doctrine\DBAL\Connection;
use ZippyTray\Core\AccountId;
use ZippyTray\Core\Time\LocalDate;
use ZippyTray\Core\Tray\Advice\Adviser;
use ZippyTray\Core\Tray\Importance\DecidedLetter;
use ZippyTray\Core\Tray\Importance\DecidedMail;
use ZippyTray\Core\Tray\Undecided;
use ZippyTray\Server\Account\Accounts;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

final readonly class DecidedMailStore implements DecidedMail
{
    /** Whether the program wrote a message m in the person's name; what Message::isAutomatic() says of one of theirs. */
    public const BY_ITSELF = "(m.own AND COALESCE(m.list_headers ->> 'auto-submitted', '') IN ('auto-replied', 'auto-generated'))
        AS by_itself";

    /** Of a conversation with more undecided messages, the newest count. */
    public const MESSAGES = 5;

    public function __construct(
        private Connection $connection,
        private FindingsStore $findings,
        private Accounts $accounts,
        private Adviser $adviser,
    ) {
    }

    public function of(AccountId $accountId, array $conversations, \DateTimeImmutable $at): array
    {
        $account = $this->accounts->get($accountId->text);
        $undecided = $this->undecided($accountId, $conversations, $at);
        $all = array_merge(...array_values(array_map(array_keys(...), $undecided)));
        $found = $this->findings->ofAll($account, array_map(strval(...), $all));
        $letters = [];
        $today = LocalDate::of($at, $account->timeZone());
        foreach ($undecided as $id => $messages) {
            $of = array_values(array_intersect_key($found, $messages));
            if ([] !== $of) {
                $main = Adviser::main($of, $today);
                $arrived = new \DateTimeImmutable(max($messages));
                $letters[$id] = new DecidedLetter(
                    $main,
                    $arrived,
                    $this->wasKnown($accountId, $main->head->from, $at),
                    $this->adviser->byRules($of, $today),
                );
            }
        }

        return $letters;
    }

    /**
     * Mail that was brought in later than it was decided, with its decisions from elsewhere, counts from when it was sent.
     *
     * @param array<string, string|null> $conversations by id, when they had been decided before
     *
     * @return array<string, non-empty-array<string, string>> by conversation, of each message that was undecided when it was sent
     */
    private function undecided(AccountId $accountId, array $conversations, \DateTimeImmutable $at): array
    {
        $all = $sent = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT x.conversation_id, m.id, m.own, m.imported_at, m.sent_at, '.self::BY_ITSELF.' FROM conversation_message x
             JOIN message m ON m.id = x.message_id WHERE x.conversation_id IN (SELECT value FROM json_each(:ids))
                AND +m.account_id = :account AND (m.imported_at <= :at OR m.sent_at <= :at) ORDER BY m.sent_at, m.id',
            [
                'ids' => json_encode(array_map(strval(...), array_keys($conversations)), \JSON_THROW_ON_ERROR),
                'account' => $accountId,
                'at' => StoredNow::of($at),
            ],
        ) as $columns) {
            $row = new Row($columns);
            $all[$row->string('conversation_id')][] = [
                'id' => $row->string('id'),
                'own' => $row->bool('own'),
                'byItself' => $row->bool('by_itself'),
                'importedAt' => $row->string('imported_at'),
            ];
            $sent[$row->string('id')] = $row->string('sent_at');
        }
        $undecided = [];
        foreach ($all as $id => $messages) {
            $before = $conversations[$id];
            $ids = Undecided::of($messages, null === $before ? '' : StoredNow::of(new \DateTimeImmutable($before)));
            $kept = array_intersect_key($sent, array_flip(\array_slice($ids, -self::MESSAGES)));
            if ([] !== $kept) {
                $undecided[$id] = $kept;
            }
        }

        return $undecided;
    }

    private function wasKnown(AccountId $accountId, string $email, \DateTimeImmutable $at): bool
    {
        return false !== $this->connection->fetchOne(
            'SELECT 1 FROM person_message WHERE account_id = ? AND email = ? AND own AND sent_at < ? LIMIT 1',
            [$accountId, $email, StoredNow::of($at)],
        );
    }
}
