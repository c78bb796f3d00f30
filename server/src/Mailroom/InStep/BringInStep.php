<?php

declare(strict_types=1);

namespace ZippyTray\Server\Mailroom\InStep;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception as DatabaseProblem;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Clock\ClockInterface;
use Psr\Log\LoggerInterface;
use ZippyTray\Core\Ids;
use ZippyTray\Core\InStep\Agree;
use ZippyTray\Core\InStep\Agreement;
use ZippyTray\Core\InStep\AgreeRead;
use ZippyTray\Core\InStep\Belongs;
use ZippyTray\Core\InStep\Copy;
use ZippyTray\Core\InStep\FolderRole;
use ZippyTray\Core\InStep\FollowThere;
use ZippyTray\Core\Journal\EntryId;
use ZippyTray\Core\Journal\Transaction;
use ZippyTray\Core\Mail\ConversationId;
use ZippyTray\Core\NotFound;
use ZippyTray\Core\Time\DayMark;
use ZippyTray\Core\Time\Moment;
use ZippyTray\Core\Tray\Conversation;
use ZippyTray\Core\Tray\Conversations;
use ZippyTray\Server\Account\Account;
use ZippyTray\Server\Store\Row;
use ZippyTray\Server\Store\StoredNow;

/**
 * Goes through the conversations in which something has changed, here or on the server. What the server is to do becomes a wish; what was
 * decided there is done here. Both sides are compared as they are now, so it makes no difference how often something changed in between.
 */
final readonly class BringInStep
{
    private const AT_ONCE = 200;

    /** So many are brought into step in one transaction. */
    private const TOGETHER = 20;

    public function __construct(
        private Connection $connection,
        private Conversations $conversations,
        private Copies $copies,
        private Wishes $wishes,
        private FollowThere $follow,
        private Transaction $transaction,
        private EntityManagerInterface $orm,
        private Ids $ids,
        private ClockInterface $clock,
        private LoggerInterface $logger,
    ) {
    }

    /** @param callable(): bool $isEnding asked before each */
    public function __invoke(Account $account, callable $isEnding): void
    {
        $now = \DateTimeImmutable::createFromInterface($this->clock->now());
        // What has come back by itself.
        $this->connection->executeStatement(
            "INSERT OR IGNORE INTO server_mark (conversation_id, account_id) SELECT v.id, v.account_id FROM conversation v
             WHERE v.account_id = ? AND v.away_until <= ? AND v.place = 'away' AND EXISTS (
                SELECT 1 FROM conversation_message m JOIN server_copy c ON c.message_id = m.message_id
                WHERE m.conversation_id = v.id AND c.agreed <> 'inbox'
             )",
            [$account->id, StoredNow::of($now)],
        );
        $before = '';
        do {
            $marked = $this->connection->fetchFirstColumn(
                'SELECT conversation_id FROM server_mark WHERE account_id = ? AND conversation_id > ? ORDER BY conversation_id LIMIT '
                    .self::AT_ONCE,
                [$account->id, $before],
            );
            $marked = array_filter($marked, is_string(...));
            foreach (array_chunk($marked, self::TOGETHER) as $some) {
                if ($isEnding()) {
                    return;
                }
                $this->together($account, $some, $now);
            }
            $before = (string) end($marked);
        } while (self::AT_ONCE === \count($marked));
    }

    /** @param list<string> $some */
    private function together(Account $account, array $some, \DateTimeImmutable $now): void
    {
        try {
            $this->transaction->run(function () use ($account, $some, $now): void {
                foreach ($some as $id) {
                    $this->one($account, new ConversationId($id), $now);
                }
            });
        } catch (DatabaseProblem $problem) {
            throw $problem;
        } catch (\Throwable $problem) {
            $this->orm->clear();
            if (1 === \count($some)) {
                $this->logger->error(
                    'A conversation could not be brought into step.',
                    ['conversation' => $some[0], 'exception' => $problem],
                );
                $this->connection->executeStatement('DELETE FROM server_mark WHERE conversation_id = ?', [$some[0]]);

                return;
            }
            // The others are brought into step nevertheless.
            foreach ($some as $id) {
                $this->together($account, [$id], $now);
            }
        }
    }

    private function one(Account $account, ConversationId $id, \DateTimeImmutable $now): void
    {
        $this->wishes->ownMoves($id);
        $rows = $this->copies->ofConversation($account->id, $id);
        try {
            $conversation = $this->conversations->get($account->id, $id);
        } catch (NotFound) {
            $this->connection->executeStatement('DELETE FROM server_mark WHERE conversation_id = ?', [$id]);

            return;
        }
        if ([] !== $rows) {
            $hasAway = [] !== array_filter($rows, static fn (Row $row): bool => BoxSettings::fromState($row->json('settings'))->hasAway);
            $copies = array_map(Copies::copy(...), $rows, array_keys($rows));
            $belongs = Belongs::of($conversation, $now, $hasAway);
            $agreement = Agree::on($belongs, $copies, Belongs::before($conversation, $now, $hasAway));
            if (null !== $agreement->follow) {
                $this->followed($account, $conversation, $agreement->follow, $copies, $now);
                $belongs = Belongs::of($conversation, $now, $hasAway);
                foreach ($copies as $copy) {
                    $copy->isNew() || $this->settle($copy, $belongs);
                }
                $rows = $this->copies->ofConversation($account->id, $id);
                $copies = array_map(Copies::copy(...), $rows, array_keys($rows));
                $agreement = Agree::on($belongs, $copies);
            }
            $this->wish($account, $belongs, $copies, $rows, $agreement);
            $this->read($conversation, $rows, $copies);
        }
        $this->wishes->ofSent($account, $id);
        $this->orm->flush();
        // What has changed by that has been dealt with by it.
        $this->connection->executeStatement('DELETE FROM server_mark WHERE conversation_id = ?', [$id]);
        $this->orm->clear();
    }

    /** @param list<Copy> $copies */
    private function followed(Account $account, Conversation $conversation, FolderRole $to, array $copies, \DateTimeImmutable $now): void
    {
        $settings = $account->profile->timeSettings();
        $tomorrow = Moment::at(
            (new Moment($now, $account->timeZone()))->date()->plusDays(1),
            $settings->at(DayMark::Morning),
            $account->timeZone(),
        );
        $isGone = [] !== array_filter($copies, static fn (Copy $copy): bool => $copy->hasMoved() && $copy->isGone());
        ($this->follow)(new EntryId($this->ids->next()), $conversation, $to, $isGone, $tomorrow);
    }

    /**
     * @param list<Copy> $copies
     * @param list<Row>  $rows   the same, in the same order
     */
    private function wish(
        Account $account,
        FolderRole $belongs,
        array $copies,
        array $rows,
        Agreement $agreement,
    ): void {
        $leaving = 1 + max([0, ...array_map(static fn (Copy $copy): int => $copy->left, $copies)]);
        foreach ($copies as $at => $copy) {
            $to = $agreement->moves[$copy->id] ?? null;
            if (null === $to) {
                $this->drop($rows[$at], Wishes::MOVE);
                $rows[$at]->int('missed') > 0 && !$copy->isGone() || $this->settle($copy, $belongs);
            } elseif (0 === $rows[$at]->int('missed')) {
                $this->wishes->move(
                    $account->id,
                    $rows[$at]->int('mailbox'),
                    (int) $copy->id,
                    $to,
                    $belongs,
                    FolderRole::Inbox === $copy->now ? $leaving : $copy->left,
                );
            }
        }
        $newest = array_values(array_filter($rows, static fn (Row $row): bool => !$row->bool('own')))[0] ?? $rows[0] ?? null;
        if ($agreement->putBack && null !== $newest) {
            $this->wishes->append($account->id, $newest->int('mailbox'), $newest->string('message_id'), FolderRole::Inbox, $belongs);
        }
    }

    private function drop(Row $copy, string $wish): void
    {
        !\in_array($wish, explode(',', $copy->string('wishes')), true) || $this->wishes->drop($copy->int('id'), $wish);
    }

    private function settle(Copy $copy, FolderRole $belongs): void
    {
        if ($copy->settled === $copy->now && $copy->agreed === $belongs) {
            return;
        }
        $this->connection->executeStatement(
            'UPDATE server_copy SET settled = ?, agreed = ?, came_from = CASE WHEN ? THEN NULL ELSE came_from END WHERE id = ?',
            [$copy->now->value, $belongs->value, $copy->hasMoved() ? 1 : 0, (int) $copy->id],
        );
    }

    /**
     * @param list<Row>  $rows
     * @param list<Copy> $copies
     */
    private function read(Conversation $conversation, array $rows, array $copies): void
    {
        $received = [];
        $agreed = null;
        foreach ($rows as $at => $row) {
            $isHome = \in_array($copies[$at]->now, [FolderRole::Inbox, FolderRole::Away], true) && 0 === $row->int('missed');
            if (!$row->bool('own') && $isHome) {
                $settled = $row->stringOrNull('settled_seen');
                $agreed ??= null === $row->stringOrNull('agreed_read') ? null : $row->bool('agreed_read');
                $received[] = [
                    'id' => $row->string('id'),
                    'seen' => $row->bool('seen'),
                    'settled' => null === $settled ? null : '1' === $settled,
                    'age' => $at,
                ];
            }
        }
        $read = AgreeRead::on(!$conversation->isUnread(), $agreed, $received);
        null === $read->here || ($read->here ? $conversation->markRead() : $conversation->markUnread());
        foreach ($received as ['id' => $copy, 'seen' => $seen, 'age' => $at]) {
            if (isset($read->there[$copy])) {
                $this->wishes->seen((int) $copy, $read->there[$copy]);
            } else {
                $this->drop($rows[$at], Wishes::SEEN);
            }
            // A wish counts as agreed on: what is marked there afterwards is another change.
            $agreed = [($read->there[$copy] ?? $seen) ? '1' : '0', $conversation->isUnread() ? '0' : '1'];
            if ($agreed !== [$rows[$at]->stringOrNull('settled_seen'), $rows[$at]->stringOrNull('agreed_read')]) {
                $this->connection->executeStatement(
                    'UPDATE server_copy SET settled_seen = ?, agreed_read = ? WHERE id = ?',
                    [...$agreed, (int) $copy],
                );
            }
        }
    }
}
